<script setup lang="ts">
import { computed } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LevelCell from '@/parts/LevelCell.vue'
import WordSwitch from '@/parts/WordSwitch.vue'

/** What the speakers get of a track: its fader with what it brings there, mute and solo. Two cells of its row. */
const { track, level, name } = defineProps<{
  track: Track
  /** What its fader is called. */
  level: string
  /** What is muted and soloed, as in "Mute Fiddle". */
  name: string
}>()

const desk = useDesk()
const standing = computed(() => desk.standingOf(track.id))
</script>

<template>
  <td>
    <LevelCell
      :label="level"
      :light="`main/${track.id}`"
      :silent="standing.offSpeakers !== ''"
      :title="standing.offSpeakers"
      zero-on-double-click
      :level="track.fader"
      :set="(wanted, gesture) => desk.edit([{ kind: 'set-fader', track: track.id, level: wanted }], gesture)"
    />
  </td>
  <td class="switches">
    <WordSwitch
      column="mute"
      :on="track.muted"
      :label="`Mute ${name}`"
      :set="(muted, gesture) => desk.edit([{ kind: 'mute-track', track: track.id, muted }], gesture)"
      >mute</WordSwitch
    >
    <WordSwitch
      column="solo"
      :on="track.soloed"
      :label="`Solo ${name}`"
      :set="(soloed, gesture) => desk.edit([{ kind: 'solo-track', track: track.id, soloed }], gesture)"
      >solo</WordSwitch
    >
  </td>
</template>

<style scoped>
td {
  padding: 0 6px;
  font-weight: 400;
}

.switches .word {
  margin-right: 4px;
}
</style>
