<script setup lang="ts">
import type { TimingSheet } from '@/api/client'
import { useDesk } from '@/desk/desk'
import BufferAdvice from './BufferAdvice.vue'
import { ms } from './words'

/** The buffers to choose from, each with the round trip and the engine's load; whatever is pointed at shows in every row. */
const { sheet } = defineProps<{ sheet: TimingSheet }>()
const shown = defineModel<number | null>('shown', { required: true })

const desk = useDesk()
const percent = (share: number) => `${Math.round(100 * share)} %`
const load = (choice: TimingSheet['buffers']['choices'][number]) =>
  choice.failed ? 'sound came late' : `load ${percent(choice.load)}`
const choose = (bufferFrames: number) => desk.edit([{ kind: 'set-buffer', bufferFrames }])
</script>

<template>
  <div class="buffers">
    <div class="cards" role="group" aria-label="Buffer">
      <button
        v-for="choice in sheet.buffers.choices"
        :key="choice.bufferFrames"
        class="card"
        :aria-pressed="choice.bufferFrames === sheet.bufferFrames"
        :aria-label="`Buffer of ${choice.bufferFrames} frames: ${ms(choice.roundTripMs)} round trip, ${load(choice)}`"
        @mouseenter="shown = choice.bufferFrames"
        @mouseleave="shown = null"
        @focus="shown = choice.bufferFrames"
        @blur="shown = null"
        @click="choose(choice.bufferFrames)"
      >
        <strong>{{ choice.bufferFrames }}</strong>
        <span>{{ ms(choice.roundTripMs) }}</span>
        <span :class="{ flare: choice.heavy || choice.failed }">{{ load(choice) }}</span>
      </button>
    </div>
    <BufferAdvice :buffers="sheet.buffers" class="proposal" />
  </div>
</template>

<style scoped>
.buffers {
  display: flex;
  align-items: center;
  gap: 16px;
  flex-wrap: wrap;
}

.cards {
  display: flex;
  gap: 8px;
}

.card {
  display: grid;
  min-width: 84px;
  padding: 5px 11px 6px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--sheet);
  text-align: left;
  font-size: 12px;
  line-height: 1.35;
  color: var(--soft);
  cursor: pointer;
}

.card strong {
  color: var(--ink);
  font-size: 14px;
}

.card:hover {
  border-color: var(--sea);
}

.card[aria-pressed='true'] {
  border-color: var(--lantern);
  box-shadow: 0 0 0 2px var(--glow-weak);
}

.proposal {
  flex: 1;
  min-width: 200px;
  margin: 0;
}
</style>
