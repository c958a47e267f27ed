<script setup lang="ts">
import FormRow from './FormRow.vue'
import NamedSelect from './NamedSelect.vue'

/** A choice from a list, under what it is called. */
const value = defineModel<string>({ required: true })
defineProps<{ label: string; options: { label: string; value: string }[]; filterable?: boolean }>()
</script>

<template>
  <FormRow :label="label">
    <NamedSelect v-model:value="value" :filterable="filterable" :options="options" :label="label" />
  </FormRow>
</template>
