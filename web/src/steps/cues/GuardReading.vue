<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { levelOf, readLevels } from '@/desk/levels'
import { shown } from '@/parts/scale'

/** What the ceiling guard holds back now, and where its ceiling stands. */
const { cue } = defineProps<{ cue: string }>()

/** A text that is written anew has the whole page painted; once a second is as much as one reads. */
const WRITTEN_EVERY = 1000

const desk = useDesk()
const holding = ref('at rest')
let writtenAt = 0

const end = readLevels(() => {
  const now = performance.now()
  if (now - writtenAt < WRITTEN_EVERY) return
  writtenAt = now
  const level = levelOf(`guard/${cue}`)
  const back = shown(Math.min(0, level < -100 ? 0 : level)).replace('−', '')
  holding.value = back === '0.0' ? 'at rest' : `holding back ${back} dB`
})
onBeforeUnmount(end)
</script>

<template>
  <span class="soft">
    Ceiling {{ shown(desk.offers.ceiling.dbfs) }} dBFS, {{ desk.offers.ceiling.rule }}; {{ holding }}.
  </span>
</template>
