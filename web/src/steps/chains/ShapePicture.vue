<script setup lang="ts">
import { computed } from 'vue'
import type { ChainPoint } from '@/api/client'

/** What leaves an effect for what comes in, both from minus to plus full scale. */
const { points, label } = defineProps<{ points: ChainPoint[]; label: string }>()

const [WIDTH, HEIGHT] = [300, 96]

const x = (value: number) => (WIDTH * (value + 1)) / 2
const y = (value: number) => (HEIGHT * (1.1 - value)) / 2.2
const line = computed(() => points.map((point) => `${x(point.x).toFixed(1)},${y(point.y).toFixed(1)}`).join(' '))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`${label}: what leaves for what comes in`">
    <title>What leaves for what comes in, from minus to plus full scale</title>
    <line class="axis" x1="0" :x2="WIDTH" :y1="y(0)" :y2="y(0)" />
    <line class="axis" :x1="x(0)" :x2="x(0)" y1="0" :y2="HEIGHT" />
    <polyline :points="line" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

.axis {
  stroke: var(--rule-strong);
  stroke-width: 0.6;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 1.8;
}
</style>
