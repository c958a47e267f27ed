<script setup lang="ts">
import { ref } from 'vue'
import type { CueEars } from '@/api/client'
import { levelOf } from '@/desk/levels'
import { shown } from '@/parts/scale'
import { useReading } from './useReading'

/** What the ceiling guard holds back now, and where its ceiling stands. */
const { cue, ceiling } = defineProps<{ cue: string; ceiling: CueEars['ceiling'] }>()

const holding = ref('at rest')

useReading(() => {
  const level = levelOf(`guard/${cue}`)
  const back = shown(Math.min(0, level < -100 ? 0 : level)).replace('−', '')
  holding.value = back === '0.0' ? 'at rest' : `holding back ${back} dB`
})
</script>

<template>
  <span class="soft">Ceiling {{ shown(ceiling.dbfs) }} dBFS, {{ ceiling.rule }}; {{ holding }}.</span>
</template>
