<script setup lang="ts">
import { computed, ref } from 'vue'
import { useMoved } from './useMoved'

/** A handle along a scale of frequencies, octaves evenly spread. It moves by how far one drags; Shift is fine. */
const { hz, scale, lowest, highest, label, set } = defineProps<{
  hz: number
  /** Where the scale begins and ends. */
  scale: [number, number]
  lowest: number
  highest: number
  label: string
  set: (hz: number, gesture: string) => Promise<unknown>
}>()

const moved = useMoved(() => hz, set)
const now = moved.now
const line = ref<HTMLElement>()
const place = computed(() => Math.log(now.value / scale[0]) / Math.log(scale[1] / scale[0]))

const rounded = (wanted: number) => Math.round(Math.max(lowest, Math.min(highest, wanted)))

function press(event: PointerEvent) {
  let at = place.value
  moved.press(event, (by, to) => {
    at = Math.max(0, Math.min(1, at + (by / line.value!.clientWidth) * (to.shiftKey ? 0.1 : 1)))
    return rounded(scale[0] * Math.pow(scale[1] / scale[0], at))
  })
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
  moved.step(event, wanted === undefined ? undefined : rounded(wanted))
}
</script>

<template>
  <div ref="line" class="scale">
    <span
      class="handle"
      role="slider"
      tabindex="0"
      :style="{ left: `${100 * place}%` }"
      :aria-label="label"
      :aria-valuemin="lowest"
      :aria-valuemax="highest"
      :aria-valuenow="now"
      :aria-valuetext="`${now} Hz`"
      :title="`${label}: ${now} Hz`"
      @pointerdown="press"
      @keydown="nudge"
    ></span>
  </div>
</template>

<style scoped>
.scale {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

.handle {
  position: absolute;
  top: calc(20% - 12px);
  width: 14px;
  height: 24px;
  margin-left: -7px;
  border: 2px solid var(--sea);
  border-radius: 7px;
  background: var(--sheet);
  cursor: ew-resize;
  touch-action: none;
  pointer-events: auto;
}
</style>
