<script setup lang="ts">
import { NInputNumber } from 'naive-ui'

/** A number to be typed, under a name that is not shown. An empty box is a number's absence where that is said to be possible. */
const {
  set,
  optional = undefined,
  min = undefined,
  max = undefined,
  placeholder = '',
} = defineProps<{
  value: number | null
  label: string
  set: (value: number) => unknown
  min?: number
  max?: number
  placeholder?: string
  /** What an empty box does; left out, nothing. */
  optional?: () => unknown
}>()

const take = (value: number | null) => (value === null ? optional?.() : set(value))
</script>

<template>
  <NInputNumber
    size="small"
    :show-button="false"
    :value="value"
    :min="min"
    :max="max"
    :placeholder="placeholder"
    :input-props="{ 'aria-label': label }"
    @update:value="take"
  />
</template>
