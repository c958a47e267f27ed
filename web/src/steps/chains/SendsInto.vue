<script setup lang="ts">
import { computed } from 'vue'
import type { Level, Tap, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { NEW_RETURNS, newReturn, returnsOf, sendInto } from '@/desk/ways'
import SendsLine from './SendsLine.vue'

/** What of a track goes into each return. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
const sends = computed(() =>
  returnsOf(desk.session!)
    .filter((each) => each.id !== track.id)
    .map(({ id, name }) => {
      const { level = 'off' as const, tap = 'post-fader' as const } =
        desk.standingOf(track.id).way.sends.find((each) => each.into === id) ?? {}
      return { key: id, name, label: `${track.name} into ${name}`, level, tap }
    }),
)
const options = NEW_RETURNS.map(({ label, name }) => ({ key: name, label }))
const set = (into: string, level: Level, tap: Tap, gesture: string | null) =>
  desk.edit([sendInto(track.id, into, level, tap)], gesture)

async function add(key: string) {
  const wished = NEW_RETURNS.find(({ name }) => name === key)!
  return desk.edit(await newReturn(desk, wished, [track]))
}
</script>

<template>
  <SendsLine
    words="sent into"
    hint="a room or an echo that tracks share"
    :sends="sends"
    :set="set"
    :options="options"
    more="New return"
    :more-label="`Send ${track.name} into a new return`"
    @add="add"
  />
</template>
