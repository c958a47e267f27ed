<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import {
  api,
  type ChainPlace,
  type ChainPoint,
  type Edit,
  type EffectRange,
  type Inserted,
  type Track,
} from '@/api/client'
import { chainsOf, numberOf } from '@/desk/chains'
import { useDesk } from '@/desk/desk'
import { useEffects } from '@/desk/effects'
import { paced } from '@/desk/paced'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import WordSwitch from '@/parts/WordSwitch.vue'
import HeldNow from './HeldNow.vue'
import ReductionPicture from './ReductionPicture.vue'
import ResponsePicture from './ResponsePicture.vue'
import ShapePicture from './ShapePicture.vue'

/** An effect that is open: what it does now as a picture, its numbers, its switch, its place in the chain. */
const { track, place, words, effect } = defineProps<{
  track: Track
  place: ChainPlace
  /** How the chain is called in which it stands. */
  words: string
  effect: Inserted
}>()
const emit = defineEmits<{ drag: [event: PointerEvent] }>()

const CURVE_EVERY = 60
/** An arrow key moves a number that is spread over octaves by such a share. */
const A_STEP = 0.06

const desk = useDesk()
const { effects } = useEffects()
const kind = computed(() => effects.value.find((each) => each.type === effect.type))
const standing = computed(() => desk.standingOf(track.id).effects.find((each) => each.effect === effect.id))
const name = computed(() => `${standing.value?.word ?? effect.type} of ${track.name}`)
const light = computed(() => `effect/${track.id}/${effect.id}`)

const set = (numbers: Inserted['numbers'], gesture: string | null = null) =>
  desk.edit([{ kind: 'set-effect', track: track.id, effect: effect.id, numbers }], gesture)

const stepOf = (range: EffectRange) =>
  range.spread === 'even'
    ? Math.max(range.step, (range.to - range.from) / 200 > 0.2 ? 1 : range.step)
    : Math.max(range.step, Math.round((numberOf(effect, range.number) * A_STEP) / range.step) * range.step)

/** Of bands each is a row: its frequency, its level, its Q. */
const inBands = computed(() => effect.type === 'eq')
const begins = (range: EffectRange) => range.unit === 'Hz'
const wordOf = (range: EffectRange) =>
  !inBands.value || begins(range) ? range.word : range.unit ? '' : range.word.slice(-1)

const curve = shallowRef<ChainPoint[]>([])
const fetch = paced(async () => {
  const path = { session: desk.session!.id, track: track.id, effect: effect.id }
  const answer = await api.GET('/api/sessions/{session}/tracks/{track}/effects/{effect}/curve', { params: { path } })
  if (answer.data) curve.value = answer.data
}, CURVE_EVERY)
watch(
  () => [effect.numbers, kind.value?.picture, desk.session?.sampleRate],
  () => (kind.value?.picture === 'response' || kind.value?.picture === 'shape') && fetch(),
  { immediate: true },
)

/** The effects of both chains in the order in which the sound passes them. */
const inOrder = () => {
  const { printed, heard } = chainsOf(desk.session!, track.id)
  return { printed: printed.effects.map(({ id }) => id), heard: heard.effects.map(({ id }) => id) }
}

/** One place earlier or later; beyond the end of a chain it goes into the other one. */
function move(by: -1 | 1) {
  const order = inOrder()[place]
  const to = order.indexOf(effect.id) + by
  const printable = desk.standingOf(track.id).may.includes('record')
  const into = (where: ChainPlace, before: string | null): Edit => ({
    kind: 'move-effect',
    track: track.id,
    effect: effect.id,
    place: where,
    before,
  })
  if (to < 0) return place === 'heard' && printable ? desk.edit([into('printed', null)]) : undefined
  if (to >= order.length)
    return place === 'printed' ? desk.edit([into('heard', inOrder().heard[0] ?? null)]) : undefined
  return desk.edit([into(place, order[by < 0 ? to : to + 1] ?? null)])
}

function key(event: KeyboardEvent) {
  const by = { ArrowLeft: -1 as const, ArrowRight: 1 as const }[event.key]
  if (!event.altKey || !by) return
  event.preventDefault()
  void move(by)
}
</script>

<template>
  <section
    class="effect"
    :class="[place, { off: !standing?.works }]"
    :aria-label="name"
    :data-row="`effect/${effect.id}`"
    @keydown="key"
  >
    <header>
      <button
        class="plain word-of"
        title="Drag it elsewhere; Alt ← → moves it"
        :aria-label="`Move the ${name}`"
        @pointerdown="emit('drag', $event)"
      >
        {{ standing?.word ?? effect.type }}
      </button>
      <WordSwitch
        column="effect"
        :on="effect.on"
        :label="`Switch the ${name}`"
        :set="(on, gesture) => desk.edit([{ kind: 'switch-effect', track: track.id, effect: effect.id, on }], gesture)"
        >{{ effect.on ? 'on' : 'off' }}</WordSwitch
      >
      <HeldNow
        v-if="kind?.picture === 'reduction' && desk.live"
        :light="light"
        :label="`Held back by the ${name} now`"
      />
      <span class="fill"></span>
      <span class="soft">{{ words }}</span>
      <span v-if="standing?.latencyFrames" class="soft" title="By so much later leaves what comes in"
        >{{ standing.latencyFrames }} frames</span
      >
      <button
        class="word"
        :aria-label="`Remove the ${name}`"
        title="Remove"
        @click="desk.edit([{ kind: 'remove-effect', track: track.id, effect: effect.id }])"
      >
        ×
      </button>
    </header>
    <div v-if="kind && kind.picture !== 'none'" class="picture">
      <ResponsePicture
        v-if="kind.picture === 'response'"
        :effect="effect"
        :ranges="kind.ranges"
        :points="curve"
        :label="name"
        :set="set"
      />
      <ShapePicture v-else-if="kind.picture === 'shape'" :points="curve" :label="name" />
      <ReductionPicture v-else :light="light" :label="name" />
    </div>
    <div class="numbers" :class="{ bands: inBands }">
      <label
        v-for="range in kind?.ranges"
        :key="range.number"
        :class="{ choice: range.choices.length, begins: inBands && begins(range) }"
      >
        <span v-if="wordOf(range)" class="soft name">{{ wordOf(range) }}</span>
        <NamedSelect
          v-if="range.choices.length"
          size="tiny"
          :label="`${range.word} of the ${name}`"
          :value="numberOf(effect, range.number)"
          :options="range.choices.map(({ value, word }) => ({ value, label: word }))"
          @update:value="(value: number) => set([{ number: range.number, value }])"
        />
        <NumberBox
          v-else
          class="box"
          :value="numberOf(effect, range.number)"
          :unit="range.unit"
          :label="`${range.word} of the ${name}`"
          :range="range"
          :step="stepOf(range)"
          :set="(value) => set([{ number: range.number, value }])"
        />
      </label>
    </div>
  </section>
</template>

<style scoped>
.effect {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
  padding: 6px 10px 10px;
  border-top: 2px solid var(--sea);
  border-radius: 2px;
  background: var(--sheet);
}

.heard {
  border-top-color: var(--lantern);
}

.off {
  border-top-color: var(--rule-strong);
}

.off .picture {
  opacity: 0.45;
}

header {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 12px;
}

.word-of {
  font-family: var(--title);
  font-size: 15px;
  font-weight: 600;
  cursor: grab;
  touch-action: none;
}

.word-of::first-letter {
  text-transform: uppercase;
}

.fill {
  flex: 1;
}

.picture {
  overflow: hidden;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

.numbers {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 3px 12px;
  font-size: 12.5px;
}

label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 82px;
  align-items: center;
  gap: 4px;
  min-width: 0;
}

.choice {
  grid-column: span 2;
  grid-template-columns: minmax(0, 1fr) 160px;
}

.name {
  line-height: 1.1;
}

.bands {
  grid-template-columns: 1fr auto auto;
}

.bands label {
  display: flex;
}

.bands .begins {
  display: grid;
  grid-column: 1;
}

.bands label:not(.begins) .box {
  width: 74px;
}

.box {
  width: 82px;
}

.box :deep(input) {
  flex: none;
  width: 48px;
}
</style>
