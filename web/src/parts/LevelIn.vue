<script setup lang="ts">
import ClipCount from './ClipCount.vue'
import LevelLine from './LevelLine.vue'

/** How high something comes in, and whether the inputs behind it clipped. */
const { light, name, inputs } = defineProps<{ light: string; name: string; inputs: string[] }>()
</script>

<template>
  <span class="in">
    <ClipCount :name="name" :lights="inputs.map((input) => `clip/${input}`)" />
    <LevelLine :light="light" :label="`Level into ${name}`" />
  </span>
</template>

<style scoped>
.in {
  display: flex;
  align-items: center;
  gap: 4px;
}

.in > :last-child {
  flex: 1;
}
</style>
