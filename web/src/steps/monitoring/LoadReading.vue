<script setup lang="ts">
import { computed } from 'vue'
import { useDesk } from '@/desk/desk'
import { useLoad } from '@/desk/timing'

/** How much of their time blocks took within the last minute, and whether any came too late. */
const desk = useDesk()
const load = useLoad()

const most = computed(() => Math.max(1, ...(load.value?.histogram ?? [])))
const percent = (share: number) => `${Math.round(100 * share)} %`
const worst = (share: number) => (share < 2 ? percent(share) : `${Math.round(share)} times as long as it had`)
const words = computed(() => {
  if (!load.value?.blocks) return 'Nothing was measured yet.'
  return `Half of the blocks took less than ${percent(load.value.typical)} of their time, the worst of the last minute ${worst(load.value.worst)}.`
})
/** A few blocks beside thousands would not be seen. */
const height = (count: number) => (count === 0 ? 0 : 3 + (21 * Math.log1p(count)) / Math.log1p(most.value))
</script>

<template>
  <div v-if="load" class="load">
    <svg viewBox="0 0 150 26" role="img" :aria-label="words">
      <rect
        v-for="(count, bin) in load.histogram"
        :key="bin"
        :class="{ late: bin * load.binWidth >= 1 }"
        :x="6 * bin"
        :y="26 - height(count)"
        width="5"
        :height="height(count)"
      />
      <line x1="120" x2="120" y1="0" y2="26" />
    </svg>
    <span>
      {{ words }}
      <span v-if="load.lateBlocks" class="flare">
        {{ load.lateBlocks }} {{ load.lateBlocks === 1 ? 'block' : 'blocks' }} came late,
        {{ Math.round(load.missedMs) }} ms missing:
        <RouterLink :to="`/sessions/${desk.session!.id}/history`">see when</RouterLink>
      </span>
      <span v-else class="soft">No block came late.</span>
      <span v-for="clock in load.clocks" :key="clock.name" class="clock soft">
        {{ clock.name }} runs {{ Math.abs(clock.ppm).toFixed(1) }} ppm {{ clock.ppm >= 0 ? 'fast' : 'slow' }} by its own
        clock: off by {{ Math.abs(clock.msASong).toFixed(1) }} ms after five minutes. It is resampled,
        {{ clock.delayMs.toFixed(2) }} ms late.
      </span>
    </span>
  </div>
</template>

<style scoped>
.load {
  display: flex;
  align-items: center;
  gap: 12px;
  font-size: 12.5px;
}

svg {
  flex: none;
  width: 150px;
  border-bottom: 1px solid var(--rule-strong);
}

/* A line of its own. */
.clock {
  display: block;
}

rect {
  fill: var(--glow);
}

.late {
  fill: var(--flare);
}

line {
  stroke: var(--ink);
  stroke-dasharray: 2 2;
}
</style>
