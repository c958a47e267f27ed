<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ChainPoint, EffectRange, Inserted } from '@/api/client'
import { numberOf } from '@/desk/chains'
import { followPointer, newGesture, useDrag, useSteps } from '@/desk/gesture'
import FrequencyPicture from '@/parts/FrequencyPicture.vue'
import { HEARD_HZ } from '@/parts/heard'

/** What an effect makes of each frequency, with a handle for each corner and band: drag it, or move it by arrows. */
const { effect, ranges, points, label, set } = defineProps<{
  effect: Inserted
  ranges: EffectRange[]
  points: ChainPoint[]
  label: string
  set: (numbers: Inserted['numbers'], gesture: string) => Promise<unknown>
}>()

type Which = EffectRange['number']

const WIDTH = 300
const HEIGHT = 96
const [TOP_DB, RANGE_DB] = [18, 42]
const OCTAVES = Math.log2(HEARD_HZ[1] / HEARD_HZ[0])
const A_SEMITONE = 2 ** (1 / 12)
const AT_THE_CORNER_DB = -3

/** Which numbers a handle moves: a frequency, and with a band its level. */
const HANDLES: { hz: Which; level?: Which }[] = [
  { hz: 'hz' },
  { hz: 'low-hz', level: 'low-level' },
  { hz: 'low-mid-hz', level: 'low-mid-level' },
  { hz: 'high-mid-hz', level: 'high-mid-level' },
  { hz: 'high-hz', level: 'high-level' },
]

const rangeOf = (number: Which) => ranges.find((each) => each.number === number)
const handles = computed(() => HANDLES.filter(({ hz }) => rangeOf(hz)))
const curve = computed(() => points.map(({ x, y }) => ({ hz: x, db: y })))

/** While a handle is held it stands where the pointer is. */
const held = ref<{ which: Which; hz: number; db: number } | null>(null)
const hzOf = (hz: Which) => (held.value?.which === hz ? held.value.hz : numberOf(effect, hz))
const dbOf = ({ hz, level }: { hz: Which; level?: Which }) =>
  held.value?.which === hz ? held.value.db : level ? numberOf(effect, level) : AT_THE_CORNER_DB

const within = (range: EffectRange | undefined, value: number) =>
  range ? Math.max(range.from, Math.min(range.to, value)) : value

function numbers({ hz, level }: { hz: Which; level?: Which }, toHz: number, toDb: number): Inserted['numbers'] {
  const moved = [{ number: hz, value: within(rangeOf(hz), Math.round(toHz)) }]
  return level ? [...moved, { number: level, value: within(rangeOf(level), Math.round(toDb * 10) / 10) }] : moved
}

function press(handle: { hz: Which; level?: Which }, event: PointerEvent) {
  if (event.button !== 0) return
  const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
  const gesture = newGesture()
  const drag = useDrag((to: Inserted['numbers']) => set(to, gesture))
  const follow = (at: PointerEvent) => {
    const hz = HEARD_HZ[0] * 2 ** ((OCTAVES * (at.clientX - box.left)) / box.width)
    const db = TOP_DB - (RANGE_DB * (at.clientY - box.top)) / box.height
    const to = numbers(handle, hz, db)
    held.value = { which: handle.hz, hz: to[0]!.value, db: to[1]?.value ?? AT_THE_CORNER_DB }
    drag.move(to)
  }
  addEventListener('pointermove', follow)
  followPointer(
    event,
    () => {},
    () => {
      removeEventListener('pointermove', follow)
      void drag.finish().then(() => (held.value = null))
    },
  )
}

const gestureOfSteps = useSteps()

function step(handle: { hz: Which; level?: Which }, event: KeyboardEvent) {
  const sideways = { ArrowLeft: 1 / A_SEMITONE, ArrowRight: A_SEMITONE }[event.key]
  const upwards = handle.level ? { ArrowUp: 0.5, ArrowDown: -0.5 }[event.key] : undefined
  if (sideways === undefined && upwards === undefined) return
  event.preventDefault()
  event.stopPropagation()
  const to = numbers(handle, hzOf(handle.hz) * (sideways ?? 1), dbOf(handle) + (upwards ?? 0))
  void set(to, gestureOfSteps())
}

const said = (handle: { hz: Which; level?: Which }) =>
  `${hzOf(handle.hz)} Hz${handle.level ? `, ${dbOf(handle)} dB` : ''}`.replace('-', '−')
</script>

<template>
  <FrequencyPicture
    role="group"
    :width="WIDTH"
    :height="HEIGHT"
    :top-db="TOP_DB"
    :range-db="RANGE_DB"
    :levels="[
      [12, ''],
      [0, '0 dB'],
      [-12, ''],
    ]"
    :points="curve"
    :label="label"
  >
    <template #default="{ x, y }">
      <circle
        v-for="handle in handles"
        :key="handle.hz"
        class="handle"
        :cx="x(hzOf(handle.hz))"
        :cy="y(dbOf(handle))"
        r="5.5"
        tabindex="0"
        role="slider"
        :aria-label="`${rangeOf(handle.hz)!.word} of the ${label}`"
        :aria-valuemin="rangeOf(handle.hz)!.from"
        :aria-valuemax="rangeOf(handle.hz)!.to"
        :aria-valuenow="hzOf(handle.hz)"
        :aria-valuetext="said(handle)"
        @pointerdown.prevent="press(handle, $event)"
        @keydown="step(handle, $event)"
      >
        <title>{{ rangeOf(handle.hz)!.word }}: {{ said(handle) }}</title>
      </circle>
    </template>
  </FrequencyPicture>
</template>

<style scoped>
.handle {
  fill: var(--sheet);
  stroke: var(--lantern);
  stroke-width: 2;
  cursor: grab;
  touch-action: none;
}

.handle:focus-visible {
  outline: 2px solid var(--sea);
}
</style>
