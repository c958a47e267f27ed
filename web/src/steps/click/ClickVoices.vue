<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { api, type ClickPattern } from '@/api/client'
import { useLimits } from '@/desk/limits'
import { useDesk } from '@/desk/desk'
import { setClick } from '@/desk/song'
import { trying } from '@/desk/notice'
import { useUpload } from '@/desk/upload'
import EditableText from '@/parts/EditableText.vue'
import FileChooser from '@/parts/FileChooser.vue'
import FileOnItsWay from '@/parts/FileOnItsWay.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** How the click sounds: each voice with its sound, its pitch, where in a beat it falls, and how loud it accents a bar. */
const { click } = defineProps<{ click: ClickPattern }>()

const desk = useDesk()
const limits = useLimits()
const { going, send, cancel } = useUpload()
const chooser = ref<InstanceType<typeof FileChooser>>()
/** The voice that shall strike what is chosen. */
let wanted = ''

type Voice = ClickPattern['voices'][number]

const SOUNDS: { label: string; value: Voice['sound'] }[] = [
  { label: 'wood', value: 'wood' },
  { label: 'tone', value: 'tone' },
  { label: 'tick', value: 'tick' },
  { label: 'skin', value: 'skin' },
]
/** The made sounds, the voice's own if it has one, and the way to another. */
const OWN = 'own'
const CHOOSE = 'choose'
const soundsOf = (voice: Voice) => [
  ...SOUNDS,
  ...(voice.ownSound ? [{ label: voice.ownSound.name, value: OWN }] : []),
  { label: voice.ownSound ? 'another WAV file' : 'a WAV file', value: CHOOSE },
]

function sound(voice: Voice, chosen: string) {
  if (chosen === CHOOSE) {
    wanted = voice.id
    chooser.value?.choose()
  } else if (chosen !== OWN) {
    void set(voice, { sound: chosen as Voice['sound'], ownSound: null })
  }
}

const WHERE = [1, 2, 3, 4, 6].flatMap((steps) => [
  { label: steps === 1 ? 'on the beats' : `${steps} a beat`, value: `${steps}/all` },
  ...(steps === 1 ? [] : [{ label: `${steps} a beat, not on it`, value: `${steps}/between` }]),
])
const whereOf = (voice: Voice) => `${voice.stepsPerBeat}/${voice.betweenBeats ? 'between' : 'all'}`

function set(voice: Voice, other: Partial<Voice>) {
  return setClick(desk, ({ voices }) => ({
    voices: voices.map((each) => (each.id === voice.id ? { ...each, ...other } : each)),
  }))
}

const add = () => desk.edit([{ kind: 'add-voice' }])
const remove = (voice: Voice) => desk.edit([{ kind: 'remove-voice', voice: voice.id }])

/** Plays a bar of a voice in this browser: one of the count-in if there is one, since that sounds in any case. */
function hear(voice: Voice) {
  return trying(async () => {
    const params = {
      path: { session: desk.session!.id },
      query: { bars: '1-1', countIn: true, voice: voice.id },
    }
    const answer = await api.GET('/api/sessions/{session}/click.wav', { params, parseAs: 'arrayBuffer' })
    const context = new AudioContext()
    const source = context.createBufferSource()
    source.buffer = await context.decodeAudioData(answer.data!)
    source.connect(context.destination)
    source.onended = () => context.close()
    source.start(0, 0, source.buffer.duration / (1 + click.countInBars))
  })
}

function place(voice: Voice, where: string) {
  const [steps, between] = where.split('/')
  return set(voice, { stepsPerBeat: Number(steps), betweenBeats: between === 'between', patterns: [] })
}
</script>

<template>
  <h2>How it sounds</h2>
  <table class="set-up" aria-label="Voices of the click">
    <thead>
      <tr>
        <th>voice</th>
        <th style="width: 116px">sound</th>
        <th style="width: 78px">pitch, Hz</th>
        <th style="width: 152px">falls</th>
        <th style="width: 70px">accent, dB</th>
        <th style="width: 78px">and Hz</th>
        <th style="width: 74px">decay, ms</th>
        <td style="width: 66px"></td>
      </tr>
    </thead>
    <tbody>
      <tr v-for="voice in click.voices" :key="voice.id">
        <td>
          <EditableText
            :text="voice.name"
            :label="`Name of voice ${voice.name}`"
            :set="(name) => set(voice, { name })"
          />
        </td>
        <td>
          <NamedSelect
            :value="voice.ownSound ? OWN : voice.sound"
            :options="soundsOf(voice)"
            :label="`Sound of ${voice.name}`"
            @update:value="(it: string) => sound(voice, it)"
          />
        </td>
        <td>
          <span v-if="voice.ownSound" class="soft" title="Its file's own">–</span>
          <NumberBox
            v-else
            :value="voice.pitchHz"
            :range="limits?.pitchHz"
            :label="`Pitch of ${voice.name} in Hz`"
            :set="(pitchHz) => set(voice, { pitchHz })"
          />
        </td>
        <td>
          <NamedSelect
            :value="whereOf(voice)"
            :options="WHERE"
            :label="`Where ${voice.name} falls`"
            @update:value="(where: string) => place(voice, where)"
          />
        </td>
        <td>
          <LevelNumber
            :label="`Accent of ${voice.name}`"
            :level="voice.accent"
            :set="(accent) => set(voice, { accent })"
          />
        </td>
        <td>
          <span v-if="voice.ownSound" class="soft" title="Its file's own">–</span>
          <NumberBox
            v-else
            placeholder="usual"
            :value="voice.accentPitchHz"
            :range="limits?.pitchHz"
            :label="`Pitch of the accent of ${voice.name} in Hz`"
            :set="(accentPitchHz) => set(voice, { accentPitchHz })"
            :optional="() => set(voice, { accentPitchHz: null })"
          />
        </td>
        <td>
          <span v-if="voice.ownSound" class="soft" title="Its file's own">–</span>
          <NumberBox
            v-else
            placeholder="usual"
            :value="voice.decayMs"
            :range="limits?.decayMs"
            :label="`Decay of ${voice.name} in ms`"
            :set="(decayMs) => set(voice, { decayMs })"
            :optional="() => set(voice, { decayMs: null })"
          />
        </td>
        <td class="acts">
          <button class="plain" :aria-label="`Hear ${voice.name}`" title="Hear a bar of it" @click="hear(voice)">
            ▶
          </button>
          <button
            v-if="click.voices.length > 1"
            class="plain"
            :aria-label="`Remove voice ${voice.name}`"
            title="Remove it and its track"
            @click="remove(voice)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <FileChooser
    ref="chooser"
    label="A WAV file for a voice of the click"
    accept=".wav,audio/wav"
    @chosen="(file) => send(file, { voice: wanted })"
  />
  <FileOnItsWay v-if="going" :going="going" @cancel="cancel" />
  <NButton size="small" :disabled="!limits || click.voices.length >= limits.clickVoices" @click="add"
    >Add a voice</NButton
  >
</template>

<style scoped>
.acts {
  white-space: nowrap;
}

.acts .plain {
  padding: 2px 7px;
  color: var(--sea);
}

h2 {
  margin-top: 14px;
  font-size: 16px;
}
</style>
