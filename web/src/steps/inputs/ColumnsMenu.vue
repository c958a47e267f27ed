<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import type { Column } from './columns'

/** Which columns are shown, and in which order. */
const { all, shown } = defineProps<{ all: Column[]; shown: string[] }>()
const emit = defineEmits<{ change: [shown: string[]] }>()

function toggle(key: string) {
  emit('change', shown.includes(key) ? shown.filter((each) => each !== key) : [...shown, key])
}

function move(key: string, by: number) {
  const order = shown.filter((each) => each !== key)
  order.splice(Math.max(0, shown.indexOf(key) + by), 0, key)
  emit('change', order)
}

const ordered = () => [
  ...shown.flatMap((key) => all.filter((column) => column.key === key)),
  ...all.filter((column) => !shown.includes(column.key)),
]
</script>

<template>
  <NPopover trigger="click" placement="bottom-end">
    <template #trigger><NButton size="small">Columns</NButton></template>
    <div v-for="column in ordered()" :key="column.key" class="column">
      <label>
        <input
          type="checkbox"
          :checked="shown.includes(column.key)"
          :disabled="column.key === 'source'"
          @change="toggle(column.key)"
        />
        {{ column.title }}
      </label>
      <template v-if="shown.includes(column.key)">
        <button class="word" :aria-label="`${column.title} further left`" @click="move(column.key, -1)">←</button>
        <button class="word" :aria-label="`${column.title} further right`" @click="move(column.key, 1)">→</button>
      </template>
    </div>
  </NPopover>
</template>

<style scoped>
.column {
  display: flex;
  align-items: center;
  gap: 4px;
  min-width: 170px;
  height: 28px;
}

label {
  flex: 1;
}
</style>
