<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Level } from '@/api/client'
import { levelOf } from '@/desk/levels'
import { useLight, type Box } from './lights'
import { levelAt, placeOf, shown, step, TICKS } from './scale'
import { useMoved } from './useMoved'

/**
 * A level to be moved, and the live level as light along the same scale. It moves by how far one drags, so that a press
 * beside the handle changes nothing; Shift makes steps of 0.1 dB.
 */
const {
  level,
  label,
  light,
  set,
  zeroOnDoubleClick,
  highest = 12,
} = defineProps<{
  level: Level
  label: string
  light: string
  set: (level: Level, gesture: string) => Promise<unknown>
  zeroOnDoubleClick?: boolean
  /** The highest level it can be moved to. */
  highest?: number
}>()

const track = ref<HTMLElement>()
const moved = useMoved(() => level, set)
const now = moved.now
const place = computed(() => (now.value === 'off' ? 0 : placeOf(now.value)))

/** Light does not cover the handle. */
const HANDLE = 9

const reach = (box: Box) => (levelOf(light) <= -90 ? 0 : Math.round(box.width * placeOf(levelOf(light))))

useLight(track, {
  look: (box) => `${reach(box)} ${place.value}`,
  draw(pen, box, ink) {
    pen.fillStyle = ink.glow
    pen.fillRect(box.x, box.y + 10, reach(box), 6)
    pen.clearRect(box.x + box.width * place.value - HANDLE / 2, box.y, HANDLE, box.height)
  },
})

function press(event: PointerEvent) {
  const width = track.value!.clientWidth
  let at = place.value
  moved.press(event, (by, to) => {
    if (to.shiftKey && now.value !== 'off') {
      const fine = clamp(now.value + Math.sign(by) * 0.1)
      at = fine === 'off' ? 0 : placeOf(fine)
      return fine
    }
    at = Math.max(0, Math.min(1, at + by / width))
    return lowered(levelAt(at))
  })
}

function clamp(wanted: number): Level {
  return wanted < -90 ? 'off' : step(Math.min(highest, wanted))
}

const lowered = (wanted: Level): Level => (wanted === 'off' ? wanted : clamp(wanted))

function nudge(event: KeyboardEvent) {
  const by = event.shiftKey ? 0.1 : event.key.startsWith('Page') ? 6 : 1
  let wanted: Level | undefined
  if (event.key === 'ArrowRight' || event.key === 'PageUp') wanted = now.value === 'off' ? -60 : clamp(now.value + by)
  if (event.key === 'ArrowLeft' || event.key === 'PageDown')
    wanted = now.value === 'off' ? 'off' : clamp(now.value - by)
  if (event.key === 'Home' || event.key === 'Delete' || event.key === 'Backspace') wanted = 'off'
  moved.step(event, wanted)
}

function wheel(event: WheelEvent) {
  if (document.activeElement !== event.currentTarget || now.value === 'off') return
  moved.step(event, clamp(now.value - Math.sign(event.deltaY) * (event.shiftKey ? 0.1 : 0.5)))
}

function toZero() {
  if (zeroOnDoubleClick) void set(0, crypto.randomUUID())
}
</script>

<template>
  <div
    class="slider"
    role="slider"
    tabindex="0"
    :aria-label="label"
    aria-valuemin="-90"
    :aria-valuemax="highest"
    :aria-valuenow="now === 'off' ? -90 : now"
    :aria-valuetext="now === 'off' ? 'off' : `${shown(now)} dB`"
    @pointerdown="press"
    @keydown="nudge"
    @wheel="wheel"
    @dblclick="toZero"
  >
    <div ref="track" class="track">
      <span class="line"></span>
      <span
        v-for="tick in TICKS"
        :key="tick"
        class="tick"
        :class="{ zero: tick === 0 }"
        :style="{ left: `${100 * placeOf(tick)}%` }"
      ></span>
      <span class="handle" :class="{ off: now === 'off' }" :style="{ left: `${100 * place}%` }"></span>
    </div>
  </div>
</template>

<style scoped>
.slider {
  padding: 0 7px;
  height: 26px;
  cursor: ew-resize;
  touch-action: none;
  border-radius: 5px;
}

.track {
  position: relative;
  height: 100%;
}

.line {
  position: absolute;
  left: 0;
  width: 100%;
  top: 12px;
  height: 2px;
  background: var(--rule-strong);
}

.tick {
  position: absolute;
  top: 9px;
  width: 1px;
  height: 8px;
  background: var(--rule-strong);
}

.tick.zero {
  top: 7px;
  height: 12px;
  background: var(--faint);
}

.handle {
  position: absolute;
  top: 4px;
  width: 9px;
  height: 18px;
  margin-left: -4.5px;
  border: 2px solid var(--sea);
  border-radius: 5px;
  background: var(--sheet);
}

.handle.off {
  border-color: var(--faint);
  top: 8px;
  height: 10px;
}
</style>
