<script setup lang="ts">
import { computed } from 'vue'
import type { Performer, SourceKind, TimingSheet } from '@/api/client'
import { useDesk } from '@/desk/desk'
import NamedSelect from '@/parts/NamedSelect.vue'

/** What a performer plays, which decides how late they may hear themselves. */
const { performer, sheet } = defineProps<{ performer: Performer; sheet: TimingSheet }>()

const desk = useDesk()

const FROM_INPUTS = 'from-inputs'

const byInputs = computed(() => {
  const plays = sheet.performers.find((each) => each.performer === performer.id)?.plays
  return plays && !performer.plays ? `${plays}, by their inputs` : 'by their inputs'
})
const kinds = computed(() => [
  { label: byInputs.value, value: FROM_INPUTS },
  ...sheet.tolerances.map((each) => ({ label: each.words, value: each.source })),
])

function setPlays(value: string) {
  const plays = value === FROM_INPUTS ? null : (value as SourceKind)
  return desk.edit([{ kind: 'set-plays', performer: performer.id, plays }])
}
</script>

<template>
  <NamedSelect
    :value="performer.plays ?? FROM_INPUTS"
    :options="kinds"
    :label="`What ${performer.name} plays`"
    @update:value="setPlays"
  />
</template>
