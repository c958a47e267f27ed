<script setup lang="ts">
/** The left edge of a row by which it is selected and moved. */
defineProps<{ name: string; picked: boolean }>()
const emit = defineEmits<{ pick: [event: MouseEvent]; press: [event: KeyboardEvent]; drag: [event: PointerEvent] }>()
</script>

<template>
  <button
    class="plain handle"
    :aria-label="`Select ${name}`"
    :aria-pressed="picked"
    title="Press to select, with Shift a range, with Ctrl one more, Ctrl A all. Drag to move, or Alt with ↑ and ↓"
    @click="emit('pick', $event)"
    @keydown="emit('press', $event)"
    @pointerdown="emit('drag', $event)"
  >
    <span class="grip"></span>
  </button>
</template>

<style scoped>
.handle {
  cursor: grab;
  touch-action: none;
}

.grip {
  display: inline-block;
  width: 8px;
  height: 14px;
  vertical-align: -2px;
  border-left: 2px dotted var(--soft);
}
</style>
