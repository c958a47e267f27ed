<script setup lang="ts">
import { onBeforeUnmount, ref, watchEffect } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { sourceOf } from '@/desk/feeds'
import { watchLevel } from '@/desk/levels'

/** How often the inputs of a track reached full scale since somebody cleared it. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
const counts = ref<Record<string, number>>({})
let ends: (() => void)[] = []

watchEffect(() => {
  ends.forEach((end) => end())
  counts.value = {}
  ends = track.feeds.flatMap((feed) => {
    const { input } = sourceOf(desk.session!, feed)
    return input
      ? [watchLevel(`clip/${input}`, (count) => counts.value[input] === count || (counts.value[input] = count))]
      : []
  })
})
onBeforeUnmount(() => ends.forEach((end) => end()))

const sum = () => Object.values(counts.value).reduce((all, each) => all + Math.max(0, each), 0)
</script>

<template>
  <button
    v-if="sum() > 0"
    class="clip"
    title="Clear all clips"
    :aria-label="`${track.name} clipped ${sum()} times; clear all clips`"
    @click="desk.command({ kind: 'clear-clips' })"
  >
    clip {{ sum() > 999 ? '999+' : sum() }}
  </button>
</template>

<style scoped>
.clip {
  border: 1px solid var(--flare);
  border-radius: 4px;
  background: var(--flare-weak);
  color: var(--flare);
  font-size: 12px;
  font-weight: 600;
  padding: 0 5px;
  cursor: pointer;
}
</style>
