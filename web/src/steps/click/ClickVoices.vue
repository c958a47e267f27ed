<script setup lang="ts">
import { NInputNumber } from 'naive-ui'
import type { ClickPattern } from '@/api/client'
import { useDesk } from '@/desk/desk'
import EditableText from '@/parts/EditableText.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import NamedSelect from '@/parts/NamedSelect.vue'

/** How the click sounds: each voice with its sound, its pitch, where in a beat it falls, and how loud it accents a bar. */
const { click } = defineProps<{ click: ClickPattern }>()

const desk = useDesk()

type Voice = ClickPattern['voices'][number]

const SOUNDS: { label: string; value: Voice['sound'] }[] = [
  { label: 'wood', value: 'wood' },
  { label: 'tone', value: 'tone' },
  { label: 'tick', value: 'tick' },
]
const WHERE = [1, 2, 3, 4, 6].flatMap((steps) => [
  { label: steps === 1 ? 'on the beats' : `${steps} a beat`, value: `${steps}/all` },
  ...(steps === 1 ? [] : [{ label: `${steps} a beat, not on it`, value: `${steps}/between` }]),
])
const whereOf = (voice: Voice) => `${voice.stepsPerBeat}/${voice.betweenBeats ? 'between' : 'all'}`

function set(voice: Voice, other: Partial<Voice>) {
  const voices = click.voices.map((each) => (each.id === voice.id ? { ...voice, ...other } : each))
  return desk.edit([{ kind: 'set-click', click: { ...click, voices } }])
}

function place(voice: Voice, where: string) {
  const [steps, between] = where.split('/')
  return set(voice, { stepsPerBeat: Number(steps), betweenBeats: between === 'between', patterns: [] })
}
</script>

<template>
  <h3>How it sounds</h3>
  <table class="set-up" aria-label="Voices of the click">
    <thead>
      <tr>
        <th>voice</th>
        <th style="width: 88px">sound</th>
        <th style="width: 84px">pitch, Hz</th>
        <th style="width: 148px">falls</th>
        <th style="width: 66px">accent, dB</th>
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
            :value="voice.sound"
            :options="SOUNDS"
            :label="`Sound of ${voice.name}`"
            @update:value="(sound: Voice['sound']) => set(voice, { sound })"
          />
        </td>
        <td>
          <NInputNumber
            size="small"
            :show-button="false"
            :value="voice.pitchHz"
            :min="100"
            :max="8000"
            :input-props="{ 'aria-label': `Pitch of ${voice.name} in Hz` }"
            @update:value="(pitchHz: number | null) => pitchHz !== null && set(voice, { pitchHz })"
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
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
h3 {
  font-size: 16px;
}
</style>
