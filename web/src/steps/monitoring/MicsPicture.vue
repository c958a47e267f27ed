<script setup lang="ts">
import { computed } from 'vue'

/** How much two mics have in common at each lag: the peak's place is the delay, its side of the line the polarity. */
const { byLag, stepMs, peakMs } = defineProps<{
  /** From -1 to 1, evenly spaced, lag 0 in the middle. */
  byLag: number[]
  stepMs: number
  peakMs: number
}>()

const WIDTH = 552
const HEIGHT = 110
const MARKS = [-15, -10, -5, 0, 5, 10, 15]

const middle = computed(() => (byLag.length - 1) / 2)
/** The longest lag, in ms. */
const longest = computed(() => Math.round(middle.value * stepMs))
const label = computed(
  () =>
    `In common by how much the second mic is later, from −${longest.value} to ${longest.value} ms. Strongest at ${peakMs.toFixed(2)} ms.`,
)
const x = (ms: number) => (WIDTH * (ms / stepMs + middle.value)) / (byLag.length - 1)
const y = (value: number) => (HEIGHT * (1 - value)) / 2
const line = computed(() =>
  byLag.map((value, at) => `${x((at - middle.value) * stepMs).toFixed(1)},${y(value).toFixed(1)}`).join(' '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + 14}`" role="img" :aria-label="label">
    <line class="rule" x1="0" :x2="WIDTH" :y1="y(0)" :y2="y(0)" />
    <g v-for="ms in MARKS" :key="ms">
      <line class="rule" :x1="x(ms)" :x2="x(ms)" y1="0" :y2="HEIGHT" />
      <text :x="x(ms)" :y="HEIGHT + 11" text-anchor="middle">{{ String(ms).replace('-', '−') }} ms</text>
    </g>
    <line class="peak" :x1="x(peakMs)" :x2="x(peakMs)" y1="0" :y2="HEIGHT" />
    <polyline :points="line" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  margin: 8px 0;
}

.rule {
  stroke: var(--rule-strong);
  stroke-width: 0.6;
}

.peak {
  stroke: var(--sea);
  stroke-width: 1.4;
  stroke-dasharray: 4 3;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 1.4;
}

text {
  fill: var(--soft);
  font-size: 10px;
}
</style>
