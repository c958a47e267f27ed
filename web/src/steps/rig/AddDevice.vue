<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type AddDevice, type PortRun } from '@/api/client'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

const limits = useLimits()

/** A device from the shelf under a name of one's own, its runs of ports changed as wished before it is added. */
const shown = defineModel<boolean>('shown', { required: true })
const emit = defineEmits<{ added: [device: string] }>()

const store = useRig()
const { busy, run: once } = useBusy()
const shelf = ref<AddDevice[]>([])
const model = ref('')
const name = ref('')
const runs = ref<PortRun[]>([])

const chosen = computed(() => shelf.value.find((each) => each.device === model.value))
const options = computed(() => shelf.value.map((each) => ({ label: each.name, value: each.device })))

watch(shown, (now) => {
  if (!now) return
  model.value = ''
  void trying(async () => {
    shelf.value = (await api.GET('/api/rigs/shelf')).data ?? []
    take('interface-8')
  })
})

function take(id: string) {
  model.value = id
  name.value = ''
  runs.value = (chosen.value?.runs ?? []).map((run) => ({ ...run }))
}

const phantom = (run: PortRun) =>
  run.phantomBank === 0 ? 'no +48 V' : run.phantomBank === 1 ? '+48 V each' : `+48 V in banks of ${run.phantomBank}`
const gain = (run: PortRun) => (run.gain.stepDb > 0 ? `gain ${run.gain.minDb} … ${run.gain.maxDb} dB` : 'no gain')

function count(run: PortRun, event: Event) {
  run.count = Math.max(0, Math.min(256, Math.round(Number((event.target as HTMLInputElement).value)) || 0))
}

async function add() {
  const from = chosen.value!
  const called = name.value.trim()
  const device = await store.freshId('device', called)
  const kept = runs.value.filter((run) => run.count > 0)
  const body = { ...from, device, name: called, runs: kept }
  if (await store.proposed(() => api.POST('/api/rigs/{rig}/devices', { ...store.at, body }))) {
    shown.value = false
    emit('added', device)
  }
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Add a device" :width="620">
    <div class="form">
      <FormRow label="From the shelf">
        <NSelect
          filterable
          :value="model"
          :options="options"
          :input-props="{ 'aria-label': 'From the shelf' }"
          aria-label="From the shelf"
          @update:value="take"
        />
      </FormRow>
      <FormRow label="Name">
        <input
          v-model="name"
          class="field"
          aria-label="Name"
          :maxlength="limits?.textLength"
          @keydown.enter="name.trim() && add()"
        />
      </FormRow>
      <table v-if="runs.length" aria-label="Its ports">
        <tbody>
          <tr v-for="(run, at) in runs" :key="at">
            <td>
              <input
                class="field count"
                :value="run.count"
                :aria-label="`How many of ${run.panelName}`"
                @change="count(run, $event)"
              />
            </td>
            <td>{{ run.direction === 'in' ? 'in' : 'out' }}</td>
            <td><input v-model="run.panelName" class="field" aria-label="Panel name" /></td>
            <td class="soft">{{ [...run.takes].sort().join(', ') }}</td>
            <td class="soft">
              {{ run.direction === 'in' && run.takes.includes('mic') ? `${phantom(run)}, ${gain(run)}` : '' }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="soft">
        Change how many there are and what is printed at them. To set what they can do, select them in the rig and press
        Describe.
      </p>
    </div>
    <template #footer>
      <div class="foot">
        <NButton @click="shown = false">Cancel</NButton>
        <NButton type="primary" :disabled="!name.trim() || !chosen" :loading="busy" @click="once(add)">Add</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
.count {
  width: 48px;
  text-align: right;
}

td {
  padding: 2px 8px 2px 0;
}

td:nth-child(2) {
  min-width: 32px;
}

.foot {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
