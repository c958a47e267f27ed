<script setup lang="ts">
import { NSelect } from 'naive-ui'
import type { Input } from '@/api/client'
import type { Column } from './columns'

/** What stands in a cell while it is changed: a list to choose from, or a field to write in. */
const draft = defineModel<string>('draft', { required: true })
const { input, column } = defineProps<{ input: Input; column: Column }>()
const emit = defineEmits<{ commit: [value: string, down: number, right: number]; cancel: []; closed: [] }>()

const filter = (pattern: string, option: { label?: unknown; value?: unknown }) =>
  String(option.label).toLowerCase().includes(pattern.toLowerCase())
</script>

<template>
  <NSelect
    v-if="column.options"
    size="small"
    filterable
    default-value-on-clear=""
    :show="true"
    :tag="column.open"
    :filter="filter"
    :value="column.chosen!(input)"
    :options="column.options(input)"
    :consistent-menu-width="false"
    :input-props="{ 'aria-label': `${column.title} of ${input.source}` }"
    @update:value="(value: string) => emit('commit', value, 0, 0)"
    @update:show="(shown: boolean) => shown || emit('closed')"
    @blur="emit('closed')"
    @keydown.esc.stop="emit('cancel')"
  />
  <input
    v-else
    v-model="draft"
    class="field"
    :aria-label="`${column.title} of ${input.source}`"
    @keydown.enter.stop.prevent="emit('commit', draft, 1, 0)"
    @keydown.tab.stop.prevent="emit('commit', draft, 0, $event.shiftKey ? -1 : 1)"
    @keydown.esc.stop.prevent="emit('cancel')"
    @keydown.stop
    @blur="emit('commit', draft, 0, 0)"
  />
</template>

<style scoped>
.field {
  margin: 0 -6px;
  width: calc(100% + 12px);
}
</style>
