<script setup lang="ts">
import { computed } from 'vue'
import { HEARD_HZ } from './heard'

/** A curve over frequencies from 20 Hz to 20 kHz, evenly spread over octaves. */
const { width, height, topDb, rangeDb, levels, points, label } = defineProps<{
  width: number
  height: number
  topDb: number
  rangeDb: number
  /** At which levels lines stand; those with words are written. */
  levels: [db: number, text: string][]
  points: { hz: number; db: number }[]
  label: string
}>()

const [LOWEST, HIGHEST] = HEARD_HZ
const OCTAVES = Math.log2(HIGHEST / LOWEST)
const MARKS: [number, string][] = [
  [100, '100 Hz'],
  [1000, '1 kHz'],
  [10000, '10 kHz'],
]

const x = (hz: number) => (width * Math.log2(hz / LOWEST)) / OCTAVES
const y = (db: number) => (height * (topDb - Math.max(db, topDb - rangeDb))) / rangeDb
const line = computed(() => points.map((point) => `${x(point.hz).toFixed(1)},${y(point.db).toFixed(1)}`).join(' '))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="label">
    <g v-for="[db, text] in levels" :key="db">
      <line class="level" x1="0" :x2="width" :y1="y(db)" :y2="y(db)" />
      <text x="2" :y="y(db) - 2">{{ text }}</text>
    </g>
    <g v-for="[hz, text] in MARKS" :key="hz">
      <line class="level" :x1="x(hz)" :x2="x(hz)" y1="0" :y2="height" />
      <text :x="x(hz) + (hz < 10000 ? 3 : -3)" :y="height - 2" :text-anchor="hz < 10000 ? 'start' : 'end'">
        {{ text }}
      </text>
    </g>
    <polyline :points="line" />
    <slot :x="x" :y="y" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

.level {
  stroke: var(--rule-strong);
  stroke-width: 0.6;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 1.8;
}

text {
  fill: var(--soft);
  font-size: 10px;
}
</style>
