<script setup lang="ts">
/** The left edge of a row by which it is selected and moved. */
const { name, picked, stays } = defineProps<{
  name: string
  picked: boolean
  /** Whether rows of the list are not moved. */
  stays?: boolean
}>()
const SELECT = 'Press to select, with Shift a range, with Ctrl one more, Ctrl A all.'
const emit = defineEmits<{ pick: [event: MouseEvent]; press: [event: KeyboardEvent]; drag: [event: PointerEvent] }>()
</script>

<template>
  <button
    class="plain handle"
    :class="{ stays }"
    :aria-label="`Select ${name}`"
    :aria-pressed="picked"
    :title="stays ? SELECT : `${SELECT} Drag to move, or Alt with ↑ and ↓`"
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

.stays {
  cursor: pointer;
}

.grip {
  display: inline-block;
  width: 8px;
  height: 14px;
  vertical-align: -2px;
  border-left: 2px dotted var(--soft);
}
</style>
