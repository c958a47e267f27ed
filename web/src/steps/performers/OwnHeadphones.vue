<script setup lang="ts">
import { NButton } from 'naive-ui'
import { reactive } from 'vue'
import type { Headphones, Performer } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import NumberBox from '@/parts/NumberBox.vue'

/** Headphones that are on no shelf, as their maker describes them. */
const { performer, worn } = defineProps<{ performer: Performer; worn: Headphones | null }>()
const emit = defineEmits<{ done: [] }>()

const desk = useDesk()
const limits = useLimits()
const typed = reactive<Headphones>(worn ? { ...worn } : { name: '', ohms: 64, dbPerMw: 98, isolationDb: 20 })

const NUMBERS: { field: 'ohms' | 'dbPerMw' | 'isolationDb'; label: string; before: string; unit: string }[] = [
  { field: 'ohms', label: 'Impedance', before: '', unit: 'Ω' },
  { field: 'dbPerMw', label: 'Sensitivity', before: '', unit: 'dB/mW' },
  { field: 'isolationDb', label: 'Isolation', before: 'keeps in', unit: 'dB' },
]

async function put() {
  const headphones = { ...typed, name: typed.name.trim() }
  if (await desk.edit([{ kind: 'set-headphones', performer: performer.id, headphones }])) emit('done')
}
</script>

<template>
  <div class="own" role="group" :aria-label="`Headphones of ${performer.name} as their maker describes them`">
    <span>{{ performer.name }} wears</span>
    <input
      v-model="typed.name"
      class="field name"
      aria-label="What these headphones are called"
      placeholder="what they are called"
      :maxlength="limits?.textLength"
      @keydown.enter="typed.name.trim() && put()"
    />
    <template v-for="{ field, label, before, unit } in NUMBERS" :key="field">
      <span v-if="before">{{ before }}</span>
      <NumberBox
        :label="`${label} of these headphones`"
        :unit="unit"
        :value="typed[field]"
        :range="limits?.headphones[field]"
        :set="(value) => (typed[field] = value)"
      />
    </template>
    <NButton size="small" type="primary" :disabled="!typed.name.trim()" @click="put">Put them on</NButton>
    <button class="word" @click="emit('done')">leave it</button>
  </div>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
}

.name {
  width: 190px;
}
</style>
