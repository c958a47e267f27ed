<script setup lang="ts">
import { computed } from 'vue'
import { useMoved } from './useMoved'

/** A place between left and right. It moves by how far one drags; Shift is fine; a double click centres. */
const { pan, label, set } = defineProps<{
  pan: number
  label: string
  set: (pan: number, gesture: string) => Promise<unknown>
}>()

const WIDTH = 44

const moved = useMoved(() => pan, set)
const now = moved.now
const words = computed(() => {
  const percent = Math.round(Math.abs(now.value) * 100)
  return percent === 0 ? 'centre' : `${now.value < 0 ? 'left' : 'right'} ${percent} %`
})

const rounded = (wanted: number) => Math.max(-1, Math.min(1, Math.round(wanted * 100) / 100))

function press(event: PointerEvent) {
  let at = now.value
  moved.press(event, (by, to) => {
    at += (by / WIDTH) * (to.shiftKey ? 0.2 : 2)
    return rounded(at)
  })
}

function nudge(event: KeyboardEvent) {
  const by = event.shiftKey ? 0.01 : 0.1
  const steps: Record<string, number> = { ArrowLeft: now.value - by, ArrowRight: now.value + by, Home: 0 }
  const wanted = steps[event.key]
  moved.step(event, wanted === undefined ? undefined : rounded(wanted))
}
</script>

<template>
  <div
    class="pan"
    role="slider"
    tabindex="0"
    :aria-label="label"
    aria-valuemin="-1"
    aria-valuemax="1"
    :aria-valuenow="now"
    :aria-valuetext="words"
    :title="words"
    @pointerdown="press"
    @keydown="nudge"
    @dblclick="set(0, '')"
  >
    <span class="line"></span>
    <span class="centre"></span>
    <span class="handle" :style="{ left: `${50 + 50 * now}%` }"></span>
  </div>
</template>

<style scoped>
.pan {
  position: relative;
  width: 44px;
  height: 24px;
  margin: 0 6px;
  cursor: ew-resize;
  touch-action: none;
  border-radius: 5px;
}

.line {
  position: absolute;
  left: 0;
  right: 0;
  top: 11px;
  height: 2px;
  background: var(--rule-strong);
}

.centre {
  position: absolute;
  left: 50%;
  top: 7px;
  width: 1px;
  height: 10px;
  background: var(--faint);
}

.handle {
  position: absolute;
  top: 7px;
  width: 10px;
  height: 10px;
  margin-left: -5px;
  border: 2px solid var(--sea);
  border-radius: 50%;
  background: var(--sheet);
}
</style>
