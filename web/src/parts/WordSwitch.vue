<script lang="ts">
import { newGesture } from '@/desk/gesture'

/** While the pointer is down, every switch of the same column that it passes is set as the first one was. */
let painting: { column: string; on: boolean; gesture: string } | null = null
addEventListener('pointerup', () => (painting = null))
</script>

<script setup lang="ts">
/** A switch with a word on it. Dragging over a column of them sets them all, and is one step to take back. */
const { on, label, column, set } = defineProps<{
  on: boolean
  label: string
  column: string
  set: (on: boolean, gesture: string) => Promise<unknown>
}>()

function press(event: PointerEvent) {
  if (event.button !== 0) return
  ;(event.currentTarget as HTMLElement).releasePointerCapture(event.pointerId)
  painting = { column, on: !on, gesture: newGesture() }
  void set(painting.on, painting.gesture)
}

function pass() {
  if (painting?.column === column && painting.on !== on) void set(painting.on, painting.gesture)
}

function byKeyboard(event: MouseEvent) {
  if (event.detail === 0) void set(!on, '')
}
</script>

<template>
  <button
    class="word"
    :aria-pressed="on"
    :aria-label="label"
    @pointerdown="press"
    @pointerenter="pass"
    @click="byKeyboard"
  >
    <slot />
  </button>
</template>
