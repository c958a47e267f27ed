<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { levelOf, peakOf, readLevels } from '@/desk/levels'
import { timeOfDay } from '@/desk/written'

/** How often something reached full scale since somebody cleared it, and when it did last. */
const { name, lights } = defineProps<{ name: string; lights: string[] }>()

const desk = useDesk()
const clips = ref(0)
const last = ref('')

const end = readLevels(() => {
  let sum = 0
  let since = Infinity
  for (const light of lights) {
    const events = Math.max(0, levelOf(light))
    sum += events
    if (events > 0) since = Math.min(since, peakOf(light))
  }
  if (sum !== clips.value) last.value = sum ? timeOfDay(Date.now() - 1000 * since) : ''
  clips.value = sum
})
onBeforeUnmount(end)
</script>

<template>
  <button
    v-if="clips > 0"
    class="clip"
    :title="`Reached full scale ${clips === 1 ? 'once' : `${clips} times`}, last at ${last}. Press to clear all clips.`"
    :aria-label="`${name} clipped ${clips === 1 ? 'once' : `${clips} times`}, last at ${last}; clear all clips`"
    @click="desk.command({ kind: 'clear-clips' })"
  >
    clip {{ clips > 99 ? '99+' : clips }}
  </button>
</template>

<style scoped>
.clip {
  padding: 0 5px;
  border: 1px solid var(--flare);
  border-radius: 4px;
  background: var(--flare-weak);
  color: var(--flare);
  font-size: 12px;
  font-weight: 600;
  white-space: nowrap;
  cursor: pointer;
}
</style>
