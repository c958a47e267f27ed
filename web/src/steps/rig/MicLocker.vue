<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { ref } from 'vue'
import type { Mic } from '@/api/client'
import { useRig } from '@/desk/rig'

/** The mics and DI boxes of the studio, with what each needs. */
const store = useRig()
const name = ref('')
const kind = ref<Mic['kind']>('large-condenser')

function put(mic: Mic, change: Partial<Mic>) {
  return store.edit([{ kind: 'put-mic', mic: { ...mic, ...change } }])
}

function count(mic: Mic, event: Event) {
  const box = event.target as HTMLInputElement
  const wanted = Math.round(Number(box.value))
  box.value = String(mic.count)
  if (wanted !== mic.count) void put(mic, { count: wanted || 0 })
}

async function add() {
  const mic: Mic = {
    id: await store.freshId('mic', name.value),
    name: name.value.trim(),
    kind: kind.value,
    count: 1,
    sensitivityMvPa: 0,
    connector: 'XLR',
  }
  if (await put(mic, {})) name.value = ''
}
</script>

<template>
  <div class="sheet">
    <table aria-label="Mic locker">
      <thead>
        <tr>
          <th style="width: 70px">How many</th>
          <th>Mic or DI</th>
          <th>Kind</th>
          <th>+48 V</th>
          <th class="number">mV/Pa</th>
          <th>Connector</th>
          <td style="width: 90px"></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="mic in store.rig!.mics" :key="mic.id">
          <td>
            <input
              class="field count"
              :value="mic.count"
              :aria-label="`How many ${mic.name}`"
              @change="count(mic, $event)"
            />
          </td>
          <td class="strong">{{ mic.name }}</td>
          <td>{{ store.micKind(mic).words }}</td>
          <td :class="mic.kind === 'ribbon' ? 'strong' : 'soft'">{{ store.micKind(mic).phantom }}</td>
          <td class="number soft">{{ mic.sensitivityMvPa || '' }}</td>
          <td class="soft">{{ mic.connector }}</td>
          <td>
            <button
              class="word"
              :aria-label="`Remove ${mic.name}`"
              @click="store.edit([{ kind: 'remove-mic', mic: mic.id }])"
            >
              remove
            </button>
          </td>
        </tr>
        <tr>
          <td></td>
          <td>
            <input
              v-model="name"
              class="field"
              aria-label="Name of a mic or DI"
              placeholder="another mic or DI"
              @keydown.enter="name.trim() && add()"
            />
          </td>
          <td>
            <NSelect
              v-model:value="kind"
              size="small"
              :options="store.micKinds.map((each) => ({ label: each.words, value: each.kind }))"
              :input-props="{ 'aria-label': 'Its kind' }"
              aria-label="Its kind"
            />
          </td>
          <td colspan="4"><NButton size="small" :disabled="!name.trim()" @click="add">Add</NButton></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.count {
  width: 52px;
  text-align: right;
}

.strong {
  font-weight: 600;
}
</style>
