<script setup lang="ts">
import { computed } from 'vue'
import type { Level, Tap, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { keyOfOut, nameOfOut, sendOut, waysOutMenu } from '@/desk/ways'
import SendsLine from './SendsLine.vue'

/** What of a track goes out by outputs. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
const sends = computed(() =>
  desk.standingOf(track.id).way.outs.map((out) => {
    const name = nameOfOut(desk.offers, out)
    return { key: keyOfOut(out), name, label: `${track.name} out by ${name}`, level: out.level, tap: out.tap }
  }),
)
const options = computed(() => waysOutMenu(desk.offers))
const set = (key: string, level: Level, tap: Tap, gesture: string | null) =>
  desk.edit([sendOut(track.id, key, level, tap)], gesture)
const add = (key: string) => desk.edit([sendOut(track.id, key.slice('out/'.length))])
</script>

<template>
  <SendsLine
    words="sent out by"
    hint="outputs: for a box, outboard, somebody's own mixer"
    :sends="sends"
    :set="set"
    :options="options"
    more="Another output"
    :more-label="`Send ${track.name} out by another output`"
    @add="add"
  />
</template>
