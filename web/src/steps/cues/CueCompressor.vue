<script setup lang="ts">
import { NSwitch } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Cue, type LevelPoint } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LitSheet from '@/parts/LitSheet.vue'
import NumberBox from '@/parts/NumberBox.vue'
import { shown } from '@/parts/scale'
import HeldBack from './HeldBack.vue'

/** A cue's compressor: its settings, what it makes of each level, how much it holds back now. */
const { cue } = defineProps<{ cue: Cue }>()

const SIZE = 60

const desk = useDesk()
const curve = ref<LevelPoint[]>([])

/** What is null stays as it is. */
const AS_IT_IS = { on: null, thresholdDbfs: null, ratio: null, attackMs: null, releaseMs: null, makeUpDb: null }
const set = (changed: Partial<Cue['compressor']>) =>
  desk.edit([{ kind: 'set-cue-compressor', cue: cue.id, ...AS_IT_IS, ...changed }])

const numbers = computed(() => [
  { field: 'thresholdDbfs' as const, name: 'Threshold', unit: 'dBFS' },
  { field: 'ratio' as const, name: 'Ratio', unit: 'to 1' },
  { field: 'attackMs' as const, name: 'Attack', unit: 'ms' },
  { field: 'releaseMs' as const, name: 'Release', unit: 'ms' },
  { field: 'makeUpDb' as const, name: 'Make-up gain', unit: 'dB' },
])

let asked = 0
watch(
  () => cue.compressor,
  async ({ on }) => {
    if (!on) return
    const mine = ++asked
    const path = { session: desk.session!.id, cue: cue.id }
    const answer = await api
      .GET('/api/sessions/{session}/cues/{cue}/compressor', { params: { path } })
      .catch(() => null)
    if (mine === asked && answer?.data) curve.value = answer.data
  },
  { immediate: true },
)

/** A level's place from the left; from the top it is the other way round. */
const at = (dbfs: number) => SIZE + Math.max(-SIZE, Math.min(0, dbfs))
const line = computed(() => curve.value.map((point) => `${at(point.inDbfs)},${SIZE - at(point.outDbfs)}`).join(' '))
const words = computed(() => {
  const loud = curve.value.at(-1)
  return loud ? `What comes in at 0 dBFS leaves at ${shown(loud.outDbfs)} dBFS` : 'What it makes of each level'
})
</script>

<template>
  <div class="compressor">
    <div class="row">
      <NSwitch
        size="small"
        :value="cue.compressor.on"
        aria-label="Compressor"
        @update:value="(on: boolean) => set({ on })"
      />
      <span :class="{ soft: !cue.compressor.on }">Compressor</span>
    </div>
    <div v-if="cue.compressor.on" class="settings">
      <div class="numbers">
        <div v-for="{ field, name, unit } in numbers" :key="field" class="row">
          <span class="soft">{{ name }}</span>
          <NumberBox
            class="number"
            :value="cue.compressor[field]"
            :unit="unit"
            :label="`${name} of the compressor`"
            :set="(value) => set({ [field]: value })"
          />
        </div>
      </div>
      <svg :viewBox="`0 0 ${SIZE} ${SIZE}`" role="img" :aria-label="words">
        <title>{{ words }}</title>
        <line class="same" x1="0" :y1="SIZE" :x2="SIZE" y2="0" />
        <polyline :points="line" />
      </svg>
    </div>
    <LitSheet v-if="cue.compressor.on && desk.live"
      ><HeldBack :light="`compressor/${cue.id}`" label="Held back by the compressor"
    /></LitSheet>
  </div>
</template>

<style scoped>
.compressor {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.row {
  display: flex;
  align-items: center;
  gap: 8px;
}

.settings {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 70px;
  gap: 10px;
}

.numbers {
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: 12.5px;
}

.number {
  margin-left: auto;
}

.number :deep(input) {
  width: 46px;
}

.number :deep(span) {
  width: 34px;
}

svg {
  width: 100%;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  align-self: start;
}

.same {
  stroke: var(--rule-strong);
  stroke-width: 0.6;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 1.6;
}
</style>
