<script setup lang="ts">
import { NSelect } from 'naive-ui'

/** A choice from a list with a name that is not shown; what else it takes is passed on. */
defineProps<{ label: string }>()
</script>

<template>
  <NSelect size="small" :virtual-scroll="false" :input-props="{ 'aria-label': label }" :aria-label="label" />
</template>
