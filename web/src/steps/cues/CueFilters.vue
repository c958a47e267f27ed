<script setup lang="ts">
import { NSwitch } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Cue, type CurvePoint } from '@/api/client'
import { useDesk } from '@/desk/desk'
import CornerSlider from '@/parts/CornerSlider.vue'
import HzNumber from '@/parts/HzNumber.vue'

/** What a cue leaves out of low and high sound, and what that leaves of each frequency as a curve. */
const { cue } = defineProps<{ cue: Cue }>()

const WIDTH = 240
const HEIGHT = 56
const LOWEST = 20
const HIGHEST = 20000
const OCTAVES = Math.log2(HIGHEST / LOWEST)
const MARKS: [number, string][] = [
  [100, '100'],
  [1000, '1 k'],
  [10000, '10 k'],
]
/** The curve's picture goes from +3 dB down to −27 dB. */
const TOP_DB = 3
const RANGE_DB = 30

const desk = useDesk()
const curve = ref<CurvePoint[]>([])

const filters = computed(() => [
  { kind: 'set-cue-high-pass' as const, name: 'High-pass', corner: cue.highPass, lowest: 20, highest: 1000 },
  { kind: 'set-cue-low-pass' as const, name: 'Low-pass', corner: cue.lowPass, lowest: 1000, highest: 20000 },
])

const x = (hz: number) => (WIDTH * Math.log2(hz / LOWEST)) / OCTAVES
const y = (db: number) => (HEIGHT * (TOP_DB - Math.max(db, TOP_DB - RANGE_DB))) / RANGE_DB
const line = computed(() => curve.value.map((point) => `${x(point.hz).toFixed(1)},${y(point.db).toFixed(1)}`).join(' '))
const words = computed(() => {
  const on = filters.value.filter((each) => each.corner.on).map((each) => `${each.name} at ${each.corner.hz} Hz`)
  return on.length ? on.join(', ') : 'nothing left out'
})

let asked = 0
watch(
  () => [cue.id, cue.highPass.on, cue.highPass.hz, cue.lowPass.on, cue.lowPass.hz, desk.session?.sampleRate],
  async () => {
    const mine = ++asked
    const path = { session: desk.session!.id, cue: cue.id }
    const answer = await api.GET('/api/sessions/{session}/cues/{cue}/curve', { params: { path } }).catch(() => null)
    if (mine === asked && answer?.data) curve.value = answer.data
  },
  { immediate: true },
)
</script>

<template>
  <div class="filters">
    <div v-for="{ kind, name, corner } in filters" :key="kind" class="row">
      <NSwitch
        size="small"
        :value="corner.on"
        :aria-label="name"
        @update:value="(on: boolean) => desk.edit([{ kind, cue: cue.id, on, hz: corner.hz }])"
      />
      <span :class="{ soft: !corner.on }">{{ name }}</span>
      <HzNumber
        class="hz"
        :hz="corner.hz"
        :label="name"
        :set="(hz) => desk.edit([{ kind, cue: cue.id, on: corner.on, hz }])"
      />
    </div>
    <div v-if="cue.highPass.on || cue.lowPass.on" class="picture">
      <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words">
        <line v-for="db in [0, -12, -24]" :key="db" class="level" x1="0" :x2="WIDTH" :y1="y(db)" :y2="y(db)" />
        <g v-for="[hz, text] in MARKS" :key="hz">
          <line class="level" :x1="x(hz)" :x2="x(hz)" y1="0" :y2="HEIGHT" />
          <text :x="x(hz) - 3" :y="HEIGHT - 2" text-anchor="end">{{ text }}</text>
        </g>
        <text x="2" :y="y(-12) - 2">−12 dB</text>
        <polyline :points="line" />
      </svg>
      <template v-for="{ kind, name, corner, lowest, highest } in filters" :key="kind">
        <CornerSlider
          v-if="corner.on"
          :hz="corner.hz"
          :scale="[LOWEST, HIGHEST]"
          :lowest="lowest"
          :highest="highest"
          :label="`${name} in ${cue.name}`"
          :set="(hz, gesture) => desk.edit([{ kind, cue: cue.id, on: true, hz }], gesture)"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.row {
  display: flex;
  align-items: center;
  gap: 8px;
}

.hz {
  margin-left: auto;
}

.picture {
  position: relative;
  margin-top: 4px;
}

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
  stroke-width: 2;
}

text {
  fill: var(--soft);
  font-size: 10px;
}
</style>
