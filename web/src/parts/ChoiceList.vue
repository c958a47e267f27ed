<script setup lang="ts" generic="Value extends string | number">
import { NSelect } from 'naive-ui'
import { h, onMounted, ref } from 'vue'

/** A list that is open at once, to choose from by pressing or by typing a part of what is wanted. */
const { value, options, label } = defineProps<{
  value: Value | null
  /** What each is called, and what it means if that is to be said. */
  options: { label: string; value: Value; what?: string }[]
  label: string
}>()
const emit = defineEmits<{ choose: [value: Value]; close: [] }>()

const words = (option: { label?: unknown; what?: unknown }) =>
  option.what
    ? h('span', [String(option.label), h('span', { class: 'soft' }, `  ${option.what}`)])
    : String(option.label)

const list = ref<InstanceType<typeof NSelect>>()
onMounted(() => list.value?.focusInput())

const filter = (pattern: string, option: { label?: unknown }) =>
  String(option.label).toLowerCase().includes(pattern.toLowerCase())
</script>

<template>
  <NSelect
    ref="list"
    size="tiny"
    filterable
    :show="true"
    :filter="filter"
    :render-label="words"
    :render-tag="({ option }) => String(option.label)"
    :value="value"
    :options="options"
    :placeholder="label"
    :consistent-menu-width="false"
    :input-props="{ 'aria-label': label }"
    @update:value="(chosen: Value) => emit('choose', chosen)"
    @update:show="(shown: boolean) => shown || emit('close')"
  />
</template>
