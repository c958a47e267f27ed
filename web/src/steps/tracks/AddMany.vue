<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type OfferedFeed } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { WIDTHS } from '@/desk/feeds'
import DialogCard from '@/parts/DialogCard.vue'
import { useBusy } from '@/parts/useBusy'

/** Many tracks at once: of the inputs that have none, by a pattern, or by a pasted list. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const { busy, run } = useBusy()
const count = ref('8')
const width = ref(1)
const stereo = ref<'one-track' | 'two-panned'>('one-track')
const pattern = ref('Vocals {n}')
const list = ref('')
const at = () => ({ params: { path: { session: desk.session!.id } } })

async function fromInputs() {
  const body = { inputs: [], stereo: stereo.value }
  const ask = () => api.POST('/api/sessions/{session}/tracks/from-inputs', { ...at(), body })
  if (await desk.proposed(ask)) shown.value = false
}

const STEREO = [
  { label: 'a stereo track each', value: 'one-track' },
  { label: 'two tracks each, panned', value: 'two-panned' },
]

/** What sound modules play that is on no track yet. */
const outputs = ref<OfferedFeed[]>([])
watch(shown, async (now) => {
  if (!now) return
  const offered = await api.GET('/api/sessions/{session}/module-outputs', at()).catch(() => null)
  outputs.value = (offered?.data ?? []).filter((each) => each.fedTo.length === 0)
})

async function instruments() {
  const ask = () => api.POST('/api/sessions/{session}/tracks/instruments', at())
  if (await desk.proposed(ask)) shown.value = false
}

async function many(wanted: { count: number; names: string }) {
  const body = { ...wanted, width: width.value }
  if (await desk.proposed(() => api.POST('/api/sessions/{session}/tracks/many', { ...at(), body }))) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Add many tracks" :width="540">
    <div class="way">
      <NButton type="primary" :loading="busy" @click="run(fromInputs)">A track for each input that has none</NButton>
      <label
        >Stereo sources:
        <NSelect
          v-model:value="stereo"
          class="stereo"
          size="small"
          :options="STEREO"
          :input-props="{ 'aria-label': 'What stereo sources become' }"
          aria-label="What stereo sources become"
      /></label>
      <span class="soft small">"Room left" and "Room right" are one, as is a row that is stereo.</span>
    </div>
    <div v-if="outputs.length" class="way">
      <NButton @click="instruments">A track for each output of the sound module</NButton>
      <span class="soft small">{{ outputs.map((each) => each.name).join(', ') }}</span>
    </div>
    <label class="way"
      >Each is
      <NSelect
        v-model:value="width"
        class="width"
        size="small"
        :options="WIDTHS"
        :input-props="{ 'aria-label': 'How wide each is' }"
        aria-label="How wide each is"
    /></label>
    <form class="way" @submit.prevent="many({ count: Math.round(Number(count)) || -1, names: pattern })">
      <label>How many <input v-model="count" class="field number" aria-label="How many" /></label>
      <label>called <input v-model="pattern" class="field" aria-label="Pattern" /></label>
      <NButton attr-type="submit">Add them</NButton>
      <span class="soft small">{n} becomes the number.</span>
    </form>
    <label>
      Or by a list, a line each
      <textarea v-model="list" class="field" rows="5" aria-label="List of names" @keydown.stop></textarea>
    </label>
    <div class="way">
      <NButton :disabled="!list.trim()" @click="many({ count: 0, names: list })">Add the list</NButton>
    </div>
  </DialogCard>
</template>

<style scoped>
.way {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 10px;
  margin: 8px 0 14px;
}

.way label,
label.way {
  display: flex;
  align-items: center;
  gap: 8px;
}

.way input {
  width: 190px;
}

.stereo {
  width: 200px;
}

.width {
  width: 110px;
}

.way .number {
  width: 60px;
}

.small {
  font-size: 12px;
}

textarea {
  display: block;
  width: 100%;
  resize: vertical;
}
</style>
