<script setup lang="ts">
import { computed } from 'vue'
import type { Delay } from '@/api/client'
import { inWords, ms, STRETCHES, totalMs } from './words'

/** A delay as its parts one behind the other, against what is tolerated. */
const { delay, toleranceMs, scaleMs, label } = defineProps<{
  delay: Delay
  toleranceMs: number
  scaleMs: number
  label: string
}>()

const share = (value: number) => `${(100 * Math.max(0, value)) / scaleMs}%`
const words = computed(() => `${label}: ${ms(totalMs(delay))}. ${inWords(delay)}. Tolerates ${toleranceMs} ms.`)
</script>

<template>
  <div class="bar" role="img" :aria-label="words">
    <span
      v-for="(part, at) in delay.parts"
      :key="at"
      class="part"
      :class="part.kind"
      :style="{ width: share(part.ms) }"
      :title="`${STRETCHES[part.kind]}: ${part.frames} frames, ${ms(part.ms)}`"
    ></span>
    <span class="tolerance" :style="{ left: share(toleranceMs) }" :title="`tolerates ${toleranceMs} ms`"></span>
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  display: flex;
  gap: 1px;
  height: 14px;
}

.part {
  flex: none;
  min-width: 1px;
  border-radius: 2px;
  background: var(--faint);
}

.driver-in,
.driver-out {
  background: var(--rule-strong);
}

.buffer-in,
.buffer-out {
  background: var(--sea);
}

.processing,
.matrix {
  background: var(--glow);
}

.not-reported {
  background: repeating-linear-gradient(45deg, var(--flare) 0 2px, transparent 2px 5px);
}

.air {
  background: repeating-linear-gradient(90deg, var(--soft) 0 1px, transparent 1px 4px);
}

.tolerance {
  position: absolute;
  top: -4px;
  bottom: -4px;
  border-left: 2px dotted var(--ink);
}
</style>
