<script setup lang="ts">
import { onBeforeUnmount, ref, watchEffect } from 'vue'
import { useDesk } from '@/desk/desk'
import { watchLevel } from '@/desk/levels'
import { shown } from '@/parts/scale'

/** What the ceiling guard holds back now, and where its ceiling stands. */
const { cue } = defineProps<{ cue: string }>()

const desk = useDesk()
const reading = ref<HTMLElement>()
let end = () => {}

watchEffect(() => {
  end()
  end = watchLevel(`guard/${cue}`, (level) => {
    if (reading.value)
      reading.value.textContent = `holding back ${shown(Math.min(0, level < -100 ? 0 : level)).replace('−', '')} dB`
  })
})
onBeforeUnmount(() => end())
</script>

<template>
  <span class="soft">
    Ceiling {{ shown(desk.offers.ceiling.dbfs) }} dBFS, {{ desk.offers.ceiling.rule }};
    <span ref="reading">at rest</span>.
  </span>
</template>
