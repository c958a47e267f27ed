<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, type Compared } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { paced } from '@/desk/paced'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import DifferenceTable from '@/parts/DifferenceTable.vue'
import SelectRow from '@/parts/SelectRow.vue'

/** How two mixes differ, track by track. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const one = ref(desk.cues[0]!.id)
const other = ref(desk.cues[1]!.id)
const lines = ref<Compared[] | null>(null)

const options = computed(() => desk.cues.map(({ id, name }) => ({ label: name, value: id })))
const name = (id: string) => desk.cues.find((each) => each.id === id)?.name ?? 'a mix that is gone'

async function compare() {
  const params = { path: { session: desk.session!.id, cue: one.value }, query: { from: other.value } }
  const answer = await api.GET('/api/sessions/{session}/cues/{cue}/differences', { params })
  lines.value = answer.data ?? []
}

watch(
  [one, other, () => desk.session?.revision],
  paced(() => trying(compare)),
  { immediate: true },
)
</script>

<template>
  <DialogCard v-model:show="shown" title="Compare two mixes" :width="760">
    <div class="two">
      <SelectRow v-model="one" :options="options" label="One mix" />
      <SelectRow v-model="other" :options="options" label="The other" />
    </div>
    <p v-if="lines && !lines.length" role="status">{{ name(one) }} and {{ name(other) }} are the same mix.</p>
    <DifferenceTable
      v-else-if="lines"
      :lines="lines"
      :first="name(one)"
      :second="name(other)"
      label="How they differ"
    />
  </DialogCard>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-bottom: 12px;
}
</style>
