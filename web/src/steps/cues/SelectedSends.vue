<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed } from 'vue'
import { api, type Edit, type InCue, type Send } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LevelNumber from '@/parts/LevelNumber.vue'
import LevelsBy from '@/parts/LevelsBy.vue'
import { useSends } from './useSends'

/** What is done to all selected sends in one go: tracks in one cue, or in several. */
const { cells } = defineProps<{ cells: InCue[] }>()
const emit = defineEmits<{ letGo: [] }>()

const desk = useDesk()
const find = useSends()
const sendOf = ({ cue, track }: InCue) => find(cue, track)
const inMix = computed(() => cells.filter((cell) => sendOf(cell)))
const missing = computed(() => cells.filter((cell) => !sendOf(cell)))
const comforted = computed(() =>
  cells.every(({ cue }) => desk.cues.some((each) => each.id === cue && (each.comfort.on || each.comfort.echo))),
)
/** What goes into the comfort reverb of the first of them stands for all; typed over, it is theirs. */
const comfort = computed(() => sendOf(inMix.value[0]!)!.comfort)
const allMuted = computed(() => inMix.value.every((cell) => sendOf(cell)!.muted))

const each = (edit: (cell: InCue) => Edit) => desk.edit(inMix.value.map(edit), null, true)

function add() {
  const cues = [...new Set(missing.value.map((cell) => cell.cue))]
  const tracks = (cue: string) => missing.value.filter((cell) => cell.cue === cue).map((cell) => cell.track)
  return desk.edit(cues.map((cue) => ({ kind: 'add-sends', cue, tracks: tracks(cue) })))
}

function raise(db: number) {
  const params = { path: { session: desk.session!.id } }
  return desk.proposed(() => api.POST('/api/sessions/{session}/cues/raise', { params, body: { sends: cells, db } }))
}

const TAPS: { label: string; key: Send['tap'] }[] = [
  { label: 'Tap at the input', key: 'input' },
  { label: 'Tap pre-fader', key: 'pre-fader' },
  { label: 'Tap post-fader', key: 'post-fader' },
]
const OTHERS = [...TAPS, { label: 'Pan as main', key: 'as-main' }, { label: 'Pan of their own', key: 'own' }] as const

function act(key: (typeof OTHERS)[number]['key']) {
  if (key === 'as-main' || key === 'own')
    return each((cell) => ({ kind: 'set-send-pan-as-main', ...cell, asMain: key === 'as-main' }))
  return each((cell) => ({ kind: 'set-send-tap', ...cell, tap: key }))
}
</script>

<template>
  <span class="soft">{{ cells.length }} selected</span>
  <NButton v-if="missing.length" size="small" title="Silent until you raise them" @click="add">
    Add {{ missing.length }}
  </NButton>
  <template v-if="inMix.length">
    <LevelsBy label="Levels of all selected in the mix by, dB" :raise="raise" />
    <NButton size="small" @click="each((cell) => ({ kind: 'mute-send', ...cell, muted: !allMuted }))">
      {{ allMuted ? 'Unmute' : 'Mute' }}
    </NButton>
    <span v-if="comforted" class="comfort"
      >Comfort
      <LevelNumber
        label="Comfort reverb of all selected"
        :level="comfort"
        :set="(level) => each((cell) => ({ kind: 'set-send-comfort', ...cell, level }))"
    /></span>
    <NDropdown trigger="click" :options="[...OTHERS]" @select="act">
      <NButton size="small">Tap and pan…</NButton>
    </NDropdown>
    <NButton
      size="small"
      aria-label="Remove from the mix"
      title="Remove from the mix"
      @click="each((cell) => ({ kind: 'remove-send', ...cell }))"
    >
      Remove
    </NButton>
  </template>
  <NButton size="small" @click="emit('letGo')">Clear selection</NButton>
</template>

<style scoped>
.comfort {
  display: inline-flex;
  align-items: center;
  gap: 4px;
}
</style>
