<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { levelOf, readLevels } from '@/desk/levels'

/** How often the inputs of a track reached full scale since somebody cleared it. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
const clips = ref(0)

const end = readLevels(() => {
  let sum = 0
  for (const input of desk.standingOf(track.id).inputs) sum += Math.max(0, levelOf(`clip/${input}`))
  clips.value = sum
})
onBeforeUnmount(end)
</script>

<template>
  <button
    v-if="clips > 0"
    class="clip"
    title="Clear all clips"
    :aria-label="`${track.name} clipped ${clips} times; clear all clips`"
    @click="desk.command({ kind: 'clear-clips' })"
  >
    clip {{ clips > 999 ? '999+' : clips }}
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
