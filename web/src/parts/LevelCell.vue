<script setup lang="ts">
import type { Level } from '@/api/client'
import LevelNumber from './LevelNumber.vue'
import LevelSlider from './LevelSlider.vue'

/** A level to be dragged, with its live light, and the same level as a number to be typed. */
const {
  level,
  label,
  light,
  set,
  silent,
  zeroOnDoubleClick,
  highest = 12,
} = defineProps<{
  level: Level
  label: string
  light: string
  set: (level: Level, gesture: string | null) => Promise<unknown>
  /** Whether nothing of it is heard just now. */
  silent?: boolean
  zeroOnDoubleClick?: boolean
  highest?: number
}>()
</script>

<template>
  <span class="cell">
    <LevelSlider
      :class="{ silent }"
      :label="label"
      :light="light"
      :level="level"
      :set="set"
      :zero-on-double-click="zeroOnDoubleClick"
      :highest="highest"
    />
    <LevelNumber :label="label" :level="level" :set="(wanted) => set(wanted, null)" />
  </span>
</template>

<style scoped>
.cell {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 54px;
  align-items: center;
  gap: 6px;
}

.silent {
  opacity: 0.45;
}
</style>
