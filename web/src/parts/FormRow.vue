<script setup lang="ts">
/** What a control is called, and under it the control. */
defineProps<{ label: string }>()
</script>

<template>
  <label class="row"
    ><span class="soft">{{ label }}</span> <slot
  /></label>
</template>

<style scoped>
.row {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.soft {
  font-size: 12.5px;
}
</style>
