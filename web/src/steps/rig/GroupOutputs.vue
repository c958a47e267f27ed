<script setup lang="ts">
import { NButton, NPopover, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Port } from '@/api/client'
import { useRig } from '@/desk/rig'

/** Makes three to eight outputs side by side a wide group. */
const { outputs } = defineProps<{ outputs: Port[] }>()

const store = useRig()
const shown = ref(false)
const first = ref<string | null>(null)
const width = ref(4)

const from = computed(() => outputs.findIndex((port) => port.id === first.value))
const run = computed(() => (from.value < 0 ? [] : outputs.slice(from.value, from.value + width.value)))
const starts = computed(() =>
  outputs.map((port) => ({ label: `${port.houseLabel} · ${port.panelName}`, value: port.id })),
)
const WIDTHS = [3, 4, 5, 6, 7, 8].map((value) => ({ label: `${value} wide`, value }))

async function group() {
  if (await store.together(run.value.map((port) => port.id))) shown.value = false
}
</script>

<template>
  <NPopover v-model:show="shown" trigger="click" placement="bottom-end" :width="300">
    <template #trigger><button class="word">Group</button></template>
    <label
      >From
      <NSelect
        v-model:value="first"
        size="small"
        filterable
        :options="starts"
        :input-props="{ 'aria-label': 'First output of the group' }"
        aria-label="First output of the group"
    /></label>
    <div class="way">
      <NSelect
        v-model:value="width"
        size="small"
        :options="WIDTHS"
        :input-props="{ 'aria-label': 'How wide the group is' }"
        aria-label="How wide the group is"
      />
      <NButton size="small" type="primary" :disabled="run.length < width" @click="group">Group them</NButton>
    </div>
  </NPopover>
</template>

<style scoped>
.word {
  font-family: var(--text);
  font-weight: 400;
}

.way {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
</style>
