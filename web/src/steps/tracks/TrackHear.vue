<script setup lang="ts">
import type { Hear, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import ChoiceWord from '@/parts/ChoiceWord.vue'

/** When a track's live input is heard. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()

const HEAR: { label: string; value: Hear; what: string }[] = [
  { label: 'off', value: 'off', what: 'the live input is never heard' },
  { label: 'armed', value: 'armed', what: 'heard while the track is armed' },
  { label: 'overdub', value: 'overdub', what: 'heard while armed, not while an old take plays' },
  { label: 'always', value: 'always', what: 'heard in any case' },
]
</script>

<template>
  <ChoiceWord
    :value="track.hear"
    :options="HEAR"
    :label="`When ${track.name} is heard`"
    @choose="(hear) => desk.edit([{ kind: 'set-hear', track: track.id, hear }])"
  />
</template>
