<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { levelOf, peakOf, readLevels } from '@/desk/levels'
import { shown } from '@/parts/scale'

/** How high a cue's peaks leave, how loud it is, and whether it clipped, to be read at a glance. */
const { cue } = defineProps<{ cue: string }>()

const QUIET = -90
const SILENT_LUFS = -70

const level = ref('')
const loudness = ref('')
const clips = ref(0)

const end = readLevels(() => {
  const held = peakOf(`cue/${cue}`)
  level.value = held > QUIET ? shown(held).replace('+', '') : 'silent'
  const loud = levelOf(`loudness/${cue}`)
  loudness.value = loud > SILENT_LUFS ? `${shown(loud).replace('+', '')} LUFS` : ''
  clips.value = Math.max(0, levelOf(`clip/cue/${cue}`))
})
onBeforeUnmount(end)
</script>

<template>
  <span class="reading">
    <span class="soft level">{{ level }}</span>
    <span v-if="loudness" class="soft level" title="Loudness of the last three seconds">{{ loudness }}</span>
    <span v-if="clips > 0" class="flare">clip {{ clips > 99 ? '99+' : clips }}</span>
  </span>
</template>

<style scoped>
.reading {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  min-width: 40px;
  font-size: 12px;
}

.level {
  font-variant-numeric: tabular-nums;
}
</style>
