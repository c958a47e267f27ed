<script setup lang="ts">
import { computed, ref } from 'vue'
import { followPointer, useDrag, useSteps } from '@/desk/gesture'

/** A frequency between two ends, octaves evenly spread. It moves by how far one drags; Shift is fine. */
const { hz, lowest, highest, label, set } = defineProps<{
  hz: number
  lowest: number
  highest: number
  label: string
  set: (hz: number, gesture: string) => Promise<unknown>
}>()

const held = ref<number | null>(null)
const now = computed(() => held.value ?? hz)
const line = ref<HTMLElement>()
const place = computed(() => Math.log(now.value / lowest) / Math.log(highest / lowest))
const stepGesture = useSteps()

const rounded = (wanted: number) => Math.round(Math.max(lowest, Math.min(highest, wanted)))

function press(event: PointerEvent) {
  if (event.button !== 0) return
  const drag = useDrag(set)
  let at = place.value
  followPointer(
    event,
    (by, moved) => {
      at = Math.max(0, Math.min(1, at + (by / line.value!.clientWidth) * (moved.shiftKey ? 0.1 : 1)))
      held.value = rounded(lowest * Math.pow(highest / lowest, at))
      drag.move(held.value)
    },
    () => drag.finish().then(() => (held.value = null)),
  )
}

/** A twelfth of an octave a step, an octave with the page keys. */
function nudge(event: KeyboardEvent) {
  const step = Math.pow(2, 1 / 12)
  const steps: Record<string, number> = {
    ArrowLeft: Math.min(now.value / step, now.value - 1),
    ArrowRight: Math.max(now.value * step, now.value + 1),
    PageDown: now.value / 2,
    PageUp: now.value * 2,
    Home: lowest,
    End: highest,
  }
  const wanted = steps[event.key]
  if (wanted === undefined) return
  event.preventDefault()
  event.stopPropagation()
  void set(rounded(wanted), stepGesture())
}
</script>

<template>
  <div
    ref="line"
    class="corner"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="lowest"
    :aria-valuemax="highest"
    :aria-valuenow="now"
    :aria-valuetext="`${now} Hz`"
    @pointerdown="press"
    @keydown="nudge"
  >
    <span class="line"></span>
    <span class="handle" :style="{ left: `${100 * place}%` }"></span>
  </div>
</template>

<style scoped>
.corner {
  position: relative;
  flex: 1;
  height: 24px;
  margin: 0 8px;
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

.handle {
  position: absolute;
  top: 6px;
  width: 12px;
  height: 12px;
  margin-left: -6px;
  border: 2px solid var(--sea);
  border-radius: 50%;
  background: var(--sheet);
}
</style>
