<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { purposeOf, switchPurpose, useTiming } from '@/desk/timing'
import { performersShown } from '@/steps/performers/shown'
import CompareMics from './CompareMics.vue'
import BufferCards from './BufferCards.vue'
import ControlRoom from './ControlRoom.vue'
import LoadReading from './LoadReading.vue'
import MeasureCable from './MeasureCable.vue'
import PerformerFacts from './PerformerFacts.vue'
import PerformerRows from './PerformerRows.vue'
import TwoWays from './TwoWays.vue'
import { wrong } from './words'

/** What the control room hears; who hears themselves by which way, how late that is, what it does to the sound, and what can be chosen about it. */
const desk = useDesk()
const sheet = useTiming()
const previewed = ref<number | null>(null)
const measuring = ref(false)
const comparing = ref(false)
const chosen = ref('')

/** Who was chosen, else whoever has trouble. */
const selected = computed({
  get: () => {
    const all = sheet.value?.performers ?? []
    const known = all.find((each) => each.performer === chosen.value)
    return (known ?? all.find((each) => each.verdict === 'twice') ?? all.find(wrong) ?? all[0])?.performer ?? ''
  },
  set: (performer: string) => (chosen.value = performer),
})
const timing = computed(() => sheet.value?.performers.find((each) => each.performer === selected.value))
const performer = computed(() => desk.performers.find((each) => each.id === selected.value))
</script>

<template>
  <section class="step">
    <header>
      <h1>Monitoring</h1>
      <span class="soft">Who hears themselves how, and how late.</span>
      <span class="fill"></span>
      <span class="joined" role="group" aria-label="What the buffer is for">
        <button
          class="word"
          :aria-pressed="purposeOf(desk) === 'record'"
          @click="purposeOf(desk) === 'mix' && switchPurpose(desk)"
        >
          record · {{ sheet?.monitoring.recordBuffer }}
        </button>
        <button
          class="word"
          :aria-pressed="purposeOf(desk) === 'mix'"
          @click="purposeOf(desk) === 'record' && switchPurpose(desk)"
        >
          mix · {{ sheet?.monitoring.mixBuffer }}
        </button>
      </span>
      <NButton size="small" @click="performersShown = true">Performers</NButton>
      <NButton size="small" @click="comparing = true">Compare two mics</NButton>
      <NButton size="small" @click="measuring = true">Measure with a cable</NButton>
    </header>
    <ControlRoom />
    <template v-if="sheet">
      <BufferCards v-model:shown="previewed" :sheet="sheet" />
      <PerformerRows v-model:selected="selected" :sheet="sheet" :previewed="previewed" />
      <div v-if="timing && performer" class="about">
        <TwoWays v-if="timing.twice" :timing="timing" :name="performer.name" />
        <PerformerFacts v-else :timing="timing" :performer="performer" :sheet="sheet" />
      </div>
      <LoadReading v-if="desk.live" />
      <MeasureCable v-model:shown="measuring" :sheet="sheet" />
      <CompareMics v-model:shown="comparing" :mics="sheet.mics" />
    </template>
  </section>
</template>

<style scoped>
.about {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
</style>
