<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { followPointer, useDrag } from '@/desk/gesture'
import { noteWord } from '@/parts/notes'
import { across, signature, spotAt, type Spot } from '@/desk/bars'
import NoteSign from '@/parts/NoteSign.vue'
import SoundBands from './SoundBands.vue'

/**
 * The tempo as a line over the bars, with the parts and time signatures above it, what is played along below it, and the place where
 * the song is. Tempos and sounds are dragged from bar to bar, with Shift from beat to beat; a part from bar to bar.
 */
const { song } = defineProps<{ song: SongOutline }>()

const desk = useDesk()

const TOP = 30
const BOTTOM = 74
const FLAT = 55

const range = computed(() => {
  const all = song.tempos.flatMap((tempo) => [tempo.crotchets, tempo.crotchetsAtEnd])
  return { low: Math.min(...all), high: Math.max(...all) }
})
const down = (tempo: number) => {
  const { low, high } = range.value
  return low === high ? FLAT : TOP + ((BOTTOM - TOP) * (high - tempo)) / (high - low)
}

const points = computed(() => {
  const corners = song.tempos.flatMap((tempo, at) => {
    const next = song.tempos[at + 1]
    const end = across(song, next?.place ?? song.bars + 1)
    return [
      [across(song, tempo.place), down(tempo.crotchets)],
      [end, down(tempo.crotchetsAtEnd)],
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
      part,
      words: [part?.name, meter && signature(meter)].filter(Boolean).join(' · '),
      title: part ? `${part.name}: ${part.bars} bars from bar ${bar}` : `From bar ${bar}`,
    }
  })
})

const now = computed(() => {
  const place = desk.place
  if (!place || place.bar < 1) return null
  const beats = song.meters.filter((meter) => meter.bar <= place.bar).at(-1)?.beats ?? 1
  const at = across(song, place.bar + (place.beat - 1) / beats)
  return at <= 100 ? at : null
})

const line = ref<HTMLElement>()
/** While a drag is over, the press that ends it goes nowhere. */
let dragged = false

/** Tells at which place of the song a pointer is, in bars, until it is let go. */
function follow(event: PointerEvent, moved: (place: number, byBeats: boolean) => void, released: () => unknown) {
  const box = line.value!.getBoundingClientRect()
  const from = event.clientX
  dragged = false
  followPointer(
    event,
    (_by, to) => {
      dragged ||= Math.abs(to.clientX - from) > 3
      if (dragged) moved(1 + (song.bars * (to.clientX - box.left)) / box.width, to.shiftKey)
    },
    released,
  )
}

type Tempo = SongOutline['tempos'][number]

function dragTempo(event: PointerEvent, tempo: Tempo) {
  let at: Spot = tempo
  const drag = useDrag(async (to: Spot, gesture) => {
    if (to.bar === at.bar && to.beat === at.beat) return
    const move = { kind: 'move-tempo' as const, bar: at.bar, beat: at.beat, toBar: to.bar, toBeat: to.beat }
    if (await desk.edit([move], gesture)) at = to
  })
  follow(event, (place, byBeats) => drag.move(spotAt(song, place, byBeats)), drag.finish)
}

function dragPart(event: PointerEvent, part: SongOutline['parts'][number] | undefined) {
  if (!part) return
  const drag = useDrag((bar: number, gesture) =>
    desk.edit([{ kind: 'set-marker', marker: part.marker, name: part.name, bar }], gesture),
  )
  follow(event, (place) => drag.move(Math.max(1, Math.round(place))), drag.finish)
}

const goTo = (bar: number) => desk.command({ kind: 'locate', bar })

function pressLine(bar: number) {
  if (!dragged) void goTo(bar)
  dragged = false
}

function press(event: MouseEvent) {
  if (dragged) return void (dragged = false)
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return goTo(1 + Math.floor((song.bars * (event.clientX - box.left)) / box.width))
}

const words = computed(
  () =>
    `Tempo: ${song.tempos.map((each) => `${each.beatsPerMinute}${each.unit === 'crotchet' ? '' : ` ${noteWord(each.unit)}s`} from bar ${each.bar}${each.rampToNext ? ' gliding to the next' : ''}`).join(', ')}`,
)
</script>

<template>
  <div class="song">
    <div ref="line" class="over" @click="press">
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" role="img" :aria-label="words">
        <polyline :points="points" />
      </svg>
      <span
        v-for="each in lines"
        :key="each.part?.marker ?? each.bar"
        class="line"
        :style="{ left: `${across(song, each.bar)}%` }"
      >
        <button
          class="plain"
          :title="each.title"
          :disabled="!desk.live"
          @pointerdown="dragPart($event, each.part)"
          @click.stop="pressLine(each.bar)"
        >
          {{ each.words }}
        </button>
      </span>
      <span
        v-for="(tempo, at) in song.tempos"
        :key="at"
        class="tempo"
        :class="{ moves: tempo.place > 1 }"
        :title="tempo.place > 1 ? 'Drag to another bar, with Shift to another beat' : undefined"
        :style="{ left: `${across(song, tempo.place)}%`, top: `${down(tempo.crotchets)}%` }"
        @pointerdown="tempo.place > 1 && dragTempo($event, tempo)"
      >
        <NoteSign :note="tempo.unit" /> {{ tempo.beatsPerMinute }}
      </span>
      <SoundBands :song="song" :follow="follow" />
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
  white-space: nowrap;
}

.moves {
  cursor: ew-resize;
  touch-action: none;
}

.moves::before {
  position: absolute;
  top: 14px;
  left: -9px;
  width: 9px;
  height: 9px;
  border: 2px solid var(--lantern);
  border-radius: 50%;
  background: var(--sheet);
  content: '';
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
