<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ClickPattern, SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { setClick } from '@/desk/song'
import NamedSelect from '@/parts/NamedSelect.vue'

/**
 * A bar of the click, step by step: a press makes a step sound, accents it, silences it. One for each time signature of the song,
 * and for a part that shall have its own.
 */
const { song, click } = defineProps<{ song: SongOutline; click: ClickPattern }>()

const desk = useDesk()

type Bar = SongOutline['falls'][number]
type Stroke = Bar['strokes'][number]

const meters = computed(() => [...new Set(song.falls.map((bar) => `${bar.beats}/${bar.noteValue}`))])
const chosen = ref('')
const meter = computed(() => (meters.value.includes(chosen.value) ? chosen.value : meters.value[0]))
/** Everywhere where no part has its own, or in one part. */
const EVERYWHERE = ''
const part = ref(EVERYWHERE)
const places = computed(() => [
  { label: 'everywhere', value: EVERYWHERE },
  ...song.parts.map((each) => ({ label: `in ${each.name}`, value: each.marker })),
])
const partId = computed(() => (song.parts.some((each) => each.marker === part.value) ? part.value : null))
const bars = computed(() =>
  click.voices.flatMap((voice) => {
    const all = song.falls.filter((bar) => bar.voice === voice.id && `${bar.beats}/${bar.noteValue}` === meter.value)
    const own = all.find((bar) => bar.part === partId.value)
    const bar = own ?? all.find((each) => each.part === null)
    return bar ? [{ bar, voice, own: own !== undefined && partId.value !== null }] : []
  }),
)

const NEXT: Record<Stroke, Stroke> = { silent: 'sounding', sounding: 'accented', accented: 'silent' }

/** "1", "and": what one counts on a step. */
const counted = (step: number, steps: number) =>
  step % steps === 0 ? String(1 + step / steps) : steps === 2 ? 'and' : '·'

function press(bar: Bar, voice: ClickPattern['voices'][number], step: number) {
  const strokes = bar.strokes.map((stroke, at) => (at === step ? NEXT[stroke] : stroke))
  const { beats, noteValue } = bar
  return setPatterns(voice, [...others(bar, voice), { beats, noteValue, strokes, part: partId.value }])
}

const others = (bar: Bar, voice: ClickPattern['voices'][number]) =>
  voice.patterns.filter(
    (each) => each.beats !== bar.beats || each.noteValue !== bar.noteValue || each.part !== partId.value,
  )

const setPatterns = (voice: ClickPattern['voices'][number], patterns: typeof voice.patterns) =>
  setClick(desk, ({ voices }) => ({
    voices: voices.map((each) => (each.id === voice.id ? { ...each, patterns } : each)),
  }))
</script>

<template>
  <h2>
    The bar,
    <span class="joined" role="group" aria-label="Time signature of the bar">
      <button v-for="each in meters" :key="each" class="word" :aria-pressed="each === meter" @click="chosen = each">
        {{ each }}
      </button>
    </span>
    <NamedSelect
      v-if="song.parts.length"
      class="where"
      :value="partId ?? EVERYWHERE"
      :options="places"
      label="Where the bar is so"
      @update:value="(where: string) => (part = where)"
    />
  </h2>
  <div
    v-for="{ bar, voice, own } in bars"
    :key="voice.id"
    class="bar"
    role="group"
    :aria-label="`A bar of ${voice.name}`"
  >
    <span class="name">
      {{ voice.name }}
      <button
        v-if="own"
        class="plain"
        title="No pattern of its own in this part"
        @click="setPatterns(voice, others(bar, voice))"
      >
        as everywhere
      </button>
    </span>
    <button
      v-for="(stroke, step) in bar.strokes"
      :key="step"
      class="plain step"
      :class="{ beat: step % voice.stepsPerBeat === 0 }"
      :aria-label="`${voice.name}, step ${step + 1}: ${stroke}`"
      :title="stroke"
      @click="press(bar, voice, step)"
    >
      <i :class="stroke"></i>
      <span>{{ counted(step, voice.stepsPerBeat) }}</span>
    </button>
  </div>
</template>

<style scoped>
h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 16px;
}

.where {
  width: 170px;
  font: 14px var(--text);
}

.name .plain {
  display: block;
  color: var(--sea);
  font-size: 12px;
}

.bar {
  display: flex;
  align-items: flex-end;
  gap: 4px;
  margin: 12px 0 8px;
}

.name {
  flex: none;
  width: 104px;
  padding-bottom: 18px;
}

.step {
  display: grid;
  flex: 1;
  max-width: 46px;
  justify-items: center;
  align-content: end;
  height: 62px;
  padding: 0;
  font-size: 12px;
  color: var(--soft);
}

i {
  width: 70%;
  max-width: 22px;
  height: 10px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
}

.sounding {
  height: 26px;
  border-color: var(--lantern);
  background: var(--glow-weak);
}

.accented {
  height: 40px;
  border-color: var(--lantern);
  background: var(--glow);
}
</style>
