<script setup lang="ts">
/** How far something is that takes a while, with a way out. */
defineProps<{ share: number; label: string }>()
defineEmits<{ cancel: [] }>()
</script>

<template>
  <span class="task">
    <progress :value="share" :aria-label="label"></progress>
    <button class="word" @click="$emit('cancel')">Cancel</button>
  </span>
</template>

<style scoped>
.task {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 4px;
}

progress {
  flex: 1;
  min-width: 0;
  accent-color: var(--lantern);
}
</style>
