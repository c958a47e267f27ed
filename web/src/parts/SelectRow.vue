<script setup lang="ts">
import { NSelect } from 'naive-ui'
import FormRow from './FormRow.vue'

/** A choice from a list, under what it is called. */
const value = defineModel<string>({ required: true })
defineProps<{ label: string; options: { label: string; value: string }[]; filterable?: boolean }>()
</script>

<template>
  <FormRow :label="label">
    <NSelect
      v-model:value="value"
      size="small"
      :filterable="filterable"
      :options="options"
      :input-props="{ 'aria-label': label }"
      :aria-label="label"
    />
  </FormRow>
</template>
