<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { api, type PerformerTiming } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** What two ways to one ear do to a sound, as a curve and in words, and the way out. */
const { timing, name } = defineProps<{ timing: PerformerTiming; name: string }>()

const WIDTH = 560
const HEIGHT = 132
const LOWEST = 20
const OCTAVES = Math.log2(20000 / LOWEST)
const TOP_DB = 9
const RANGE_DB = 39
const MARKS: [number, string][] = [
  [100, '100 Hz'],
  [1000, '1 kHz'],
  [10000, '10 kHz'],
]

const desk = useDesk()
const twice = computed(() => timing.twice!)
const x = (hz: number) => (WIDTH * Math.log2(hz / LOWEST)) / OCTAVES
const y = (db: number) => (HEIGHT * (TOP_DB - Math.max(db, TOP_DB - RANGE_DB))) / RANGE_DB
/** Above this frequency teeth stand closer than can be drawn; a band shows how far they reach. */
const DRAWN_APART = 7
const drawnUpTo = computed(() => {
  const every = 1000 / twice.value.comb.apartMs
  const last = every / (Math.pow(2, (DRAWN_APART * OCTAVES) / WIDTH) - 1)
  return Math.min(20000, Math.max(LOWEST, last))
})
const line = computed(() =>
  twice.value.curve
    .filter((point) => point.hz <= drawnUpTo.value)
    .map((point) => `${x(point.hz).toFixed(1)},${y(point.db).toFixed(1)}`)
    .join(' '),
)

function only(direct: boolean) {
  const body = { performer: timing.performer, direct, engine: !direct }
  return desk.proposed(() =>
    api.POST('/api/sessions/{session}/ways', { params: { path: { session: desk.session!.id } }, body }),
  )
}
</script>

<template>
  <div class="both">
    <figure>
      <figcaption>
        <h3>What two ways do to {{ twice.source }}</h3>
      </figcaption>
      <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="twice.sentence">
        <g v-for="db in [6, 0, -12, -24]" :key="db">
          <line class="level" x1="0" :x2="WIDTH" :y1="y(db)" :y2="y(db)" />
          <text x="2" :y="y(db) - 2">{{ db > 0 ? '+' : db < 0 ? '−' : '' }}{{ Math.abs(db) }} dB</text>
        </g>
        <g v-for="[hz, text] in MARKS" :key="hz">
          <line class="level" :x1="x(hz)" :x2="x(hz)" y1="0" :y2="HEIGHT" />
          <text :x="x(hz) + 3" :y="HEIGHT - 3">{{ text }}</text>
        </g>
        <polyline :points="line" />
        <rect
          :x="x(drawnUpTo)"
          :y="y(twice.peakDb)"
          :width="WIDTH - x(drawnUpTo)"
          :height="y(twice.nullDb) - y(twice.peakDb)"
        />
      </svg>
    </figure>
    <div class="words">
      <h3>{{ name }} is heard twice</h3>
      <p>{{ twice.sentence }}</p>
      <div class="way">
        <NButton size="small" type="primary" @click="only(true)">Hear direct only</NButton>
        <NButton size="small" @click="only(false)">Through the engine only</NButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(240px, 2fr);
  gap: 24px;
}

figure {
  margin: 0;
}

h3 {
  font-size: 16px;
}

svg {
  display: block;
  width: 100%;
  margin-top: 6px;
}

.level {
  stroke: var(--rule-strong);
  stroke-width: 0.6;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 1.6;
}

rect {
  fill: var(--lantern);
  opacity: 0.35;
}

text {
  fill: var(--soft);
  font-size: 10.5px;
}

p {
  margin: 6px 0 10px;
}

.way {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
