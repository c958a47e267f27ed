<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ClickPattern, SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** A bar of the click, step by step: a press makes a step sound, accents it, silences it. One for each time signature of the song. */
const { song, click } = defineProps<{ song: SongOutline; click: ClickPattern }>()

const desk = useDesk()

type Bar = SongOutline['falls'][number]
type Stroke = Bar['strokes'][number]

const meters = computed(() => [...new Set(song.falls.map((bar) => `${bar.beats}/${bar.noteValue}`))])
const chosen = ref('')
const meter = computed(() => (meters.value.includes(chosen.value) ? chosen.value : meters.value[0]))
const bars = computed(() =>
  song.falls
    .filter((bar) => `${bar.beats}/${bar.noteValue}` === meter.value)
    .flatMap((bar) => {
      const voice = click.voices.find((each) => each.id === bar.voice)
      return voice ? [{ bar, voice }] : []
    }),
)

const NEXT: Record<Stroke, Stroke> = { silent: 'sounding', sounding: 'accented', accented: 'silent' }

/** "1", "and": what one counts on a step. */
const counted = (step: number, steps: number) =>
  step % steps === 0 ? String(1 + step / steps) : steps === 2 ? 'and' : '·'

function press(bar: Bar, voice: ClickPattern['voices'][number], step: number) {
  const strokes = bar.strokes.map((stroke, at) => (at === step ? NEXT[stroke] : stroke))
  const { beats, noteValue } = bar
  const others = voice.patterns.filter((each) => each.beats !== beats || each.noteValue !== noteValue)
  const changed = { ...voice, patterns: [...others, { beats, noteValue, strokes }] }
  const voices = click.voices.map((each) => (each.id === voice.id ? changed : each))
  return desk.edit([{ kind: 'set-click', click: { ...click, voices } }])
}
</script>

<template>
  <h3>
    The bar,
    <span class="joined" role="group" aria-label="Time signature of the bar">
      <button v-for="each in meters" :key="each" class="word" :aria-pressed="each === meter" @click="chosen = each">
        {{ each }}
      </button>
    </span>
  </h3>
  <div v-for="{ bar, voice } in bars" :key="voice.id" class="bar" role="group" :aria-label="`A bar of ${voice.name}`">
    <span class="name">{{ voice.name }}</span>
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
h3 {
  font-size: 16px;
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
