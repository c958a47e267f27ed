<script setup lang="ts">
import { computed } from 'vue'
import type { SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** The tempo as a line over the bars, with the parts and time signatures above it and the place where the song is. */
const { song } = defineProps<{ song: SongOutline }>()

const desk = useDesk()

const TOP = 30
const BOTTOM = 92
const FLAT = 55

const across = (place: number) => (100 * (place - 1)) / song.bars
const range = computed(() => {
  const all = song.tempos.map((tempo) => tempo.quartersPerMinute)
  return { low: Math.min(...all), high: Math.max(...all) }
})
const down = (tempo: number) => {
  const { low, high } = range.value
  return low === high ? FLAT : TOP + ((BOTTOM - TOP) * (high - tempo)) / (high - low)
}

const points = computed(() => {
  const corners = song.tempos.flatMap((tempo, at) => {
    const next = song.tempos[at + 1]
    const end = across(next?.place ?? song.bars + 1)
    const here = down(tempo.quartersPerMinute)
    return [
      [across(tempo.place), here],
      [end, tempo.rampToNext && next ? down(next.quartersPerMinute) : here],
    ]
  })
  return corners.map((corner) => corner.join(',')).join(' ')
})

/** What begins at a bar line: a part, a time signature, or both. */
const lines = computed(() => {
  const bars = [...new Set([...song.parts.map((part) => part.bar), ...song.meters.map((meter) => meter.bar)])]
  return bars.map((bar) => {
    const part = song.parts.find((each) => each.bar === bar)
    const meter = song.meters.find((each) => each.bar === bar)
    return {
      bar,
      words: [part?.name, meter && `${meter.beats}/${meter.noteValue}`].filter(Boolean).join(' · '),
      title: part ? `${part.name}: ${part.bars} bars from bar ${bar}` : `From bar ${bar}`,
    }
  })
})

const now = computed(() => {
  const place = desk.place
  if (!place || place.bar < 1) return null
  const beats = song.meters.filter((meter) => meter.bar <= place.bar).at(-1)?.beats ?? 1
  const at = across(place.bar + (place.beat - 1) / beats)
  return at <= 100 ? at : null
})

const goTo = (bar: number) => desk.command({ kind: 'locate', bar })

function press(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return goTo(1 + Math.floor((song.bars * (event.clientX - box.left)) / box.width))
}

const words = computed(
  () =>
    `Tempo: ${song.tempos.map((each) => `${each.beatsPerMinute} from bar ${each.bar}${each.rampToNext ? ' moving to the next' : ''}`).join(', ')}`,
)
</script>

<template>
  <div class="song">
    <div class="over" @click="press">
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" role="img" :aria-label="words">
        <polyline :points="points" />
      </svg>
      <span v-for="line in lines" :key="line.bar" class="line" :style="{ left: `${across(line.bar)}%` }">
        <button class="plain" :title="line.title" :disabled="!desk.live" @click.stop="goTo(line.bar)">
          {{ line.words }}
        </button>
      </span>
      <span
        v-for="tempo in song.tempos"
        :key="tempo.place"
        class="tempo"
        :style="{ left: `${across(tempo.place)}%`, top: `${down(tempo.quartersPerMinute)}%` }"
      >
        {{ tempo.beatsPerMinute }}
      </span>
      <span v-if="now !== null" class="now" :style="{ left: `${now}%` }"></span>
    </div>
  </div>
</template>

<style scoped>
.song {
  padding: 4px 16px 10px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--sheet);
}

.over {
  position: relative;
  height: 150px;
  cursor: pointer;
}

svg {
  position: absolute;
  width: 100%;
  height: 100%;
}

polyline {
  fill: none;
  stroke: var(--lantern);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.line {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--rule);
}

.line button {
  padding: 0 5px;
  color: var(--soft);
  font-size: 12px;
  white-space: nowrap;
}

.tempo {
  position: absolute;
  margin: -19px 0 0 4px;
  color: var(--ink);
  font-size: 12.5px;
  font-weight: 600;
  pointer-events: none;
}

.now {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--sea);
  pointer-events: none;
}
</style>
