<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ListedRig } from '@/api/client'
import { trying } from '@/desk/notice'
import FormRow from '@/parts/FormRow.vue'
import SelectRow from '@/parts/SelectRow.vue'
import { useBusy } from '@/parts/useBusy'
import { useLimits } from '@/desk/limits'

const limits = useLimits()

/** A session that begins with nothing but a click. */

/** The choice of a rig that is to be described yet. */
const ANOTHER = 'another rig'

const { busy, run } = useBusy()
const router = useRouter()
const rigs = ref<ListedRig[]>([])
const rig = ref('')
const rigName = ref('')
const name = ref('')
const song = ref('')

const choices = computed(() => [
  ...rigs.value.map((each) => ({
    label: `${each.name}, ${each.devices} ${each.devices === 1 ? 'device' : 'devices'}`,
    value: each.id,
  })),
  { label: 'New rig…', value: ANOTHER },
])

function load() {
  return trying(async () => {
    rigs.value = ((await api.GET('/api/rigs')).data ?? []).filter((each) => !each.unreadable)
    const chosen = rig.value === ANOTHER || rigs.value.some((each) => each.id === rig.value)
    const equipped = rigs.value.find((each) => each.devices > 0) ?? rigs.value[0]
    if (!chosen) rig.value = equipped?.id ?? ''
  })
}

onMounted(load)
defineExpose({ load })

function begin() {
  return trying(async () => {
    let rigId = rig.value
    if (rigId === ANOTHER) {
      const body = { name: rigName.value, document: null }
      rigId = (await api.POST('/api/rigs', { body })).data!.id
    }
    const made = (await api.POST('/api/sessions', { body: { name: name.value, song: song.value, rigId } })).data
    if (made) await router.push(`/sessions/${made.id}/${rig.value === ANOTHER ? 'rig' : 'input-list'}`)
  })
}
</script>

<template>
  <section aria-labelledby="new-session">
    <h2 id="new-session">New session</h2>
    <form class="card" @submit.prevent="run(begin)">
      <FormRow label="Name"><input v-model="name" class="field" required :maxlength="limits?.textLength" /></FormRow>
      <FormRow label="Song"><input v-model="song" class="field" :maxlength="limits?.textLength" /></FormRow>
      <SelectRow v-model="rig" label="Rig" :options="choices" />
      <NButton
        attr-type="submit"
        type="primary"
        :loading="busy"
        :disabled="!name.trim() || !rig || (rig === ANOTHER && !rigName.trim())"
        >Create session</NButton
      >
      <FormRow v-if="rig === ANOTHER" class="studio" label="What the studio is called">
        <input v-model="rigName" class="field" :maxlength="limits?.textLength" />
      </FormRow>
    </form>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 12px;
  font-size: 23px;
}

.card {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto;
  align-items: end;
  gap: 12px;
  background: var(--raised);
}

.card .field {
  width: 100%;
}

.studio {
  grid-column: 1 / -1;
}

@media (max-width: 1300px) {
  .card {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
