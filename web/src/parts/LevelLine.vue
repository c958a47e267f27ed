<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { levelOf, peakOf, readLevels } from '@/desk/levels'
import { useLight, type Box, type Ink } from './lights'
import { shown } from './scale'

/** A level from -60 to 0 dBFS, with its held peak and its number; of an input also the window that peaks should reach. */
const { light, label, leaving } = defineProps<{ light: string; label: string; leaving?: boolean }>()

/** The number is to be read: it is written anew five times a second at most, and told to those who hear it once. */
const PAUSE = 200
const TOLD_EVERY = 1000
const NUMBER = 40
const GAP = 8

const level = ref<HTMLElement>()
let written = '–'
let writtenAt = 0
let told = '–'
let toldAt = 0

const share = (dbfs: number) => Math.max(0, Math.min(1, (dbfs + 60) / 60))
const reach = (box: Box) => box.width - NUMBER - GAP
const at = (box: Box, dbfs: number) => Math.round(reach(box) * share(dbfs))

function words(): string {
  const now = performance.now()
  const held = peakOf(light)
  const next = held > -90 ? shown(held).replace('+', '') : '–'
  if (next !== written && now - writtenAt >= PAUSE) {
    written = next
    writtenAt = now
  }
  return written
}

useLight(level, {
  look: (box) => `${at(box, levelOf(light))} ${at(box, peakOf(light))} ${words()}`,
  draw(pen: CanvasRenderingContext2D, box: Box, ink: Ink) {
    const middle = box.y + box.height / 2
    pen.fillStyle = ink.glow
    pen.fillRect(box.x, middle - 3, at(box, levelOf(light)), 6)
    pen.fillStyle = ink.peak
    if (share(peakOf(light)) > 0) pen.fillRect(box.x + Math.max(0, at(box, peakOf(light)) - 2), middle - 6, 2, 12)
    pen.fillStyle = ink.text
    pen.font = ink.font
    pen.textAlign = 'right'
    pen.textBaseline = 'middle'
    pen.fillText(written, box.x + box.width, middle + 1)
  },
})

function tell() {
  const now = performance.now()
  if (!level.value || written === told || now - toldAt < TOLD_EVERY) return
  told = written
  toldAt = now
  level.value.ariaValueNow = String(Math.max(-60, Math.min(0, Number(written.replace('−', '-')) || -60)))
  level.value.ariaValueText = written === '–' ? 'nothing' : `${written} dBFS`
}

const end = readLevels(tell)
onBeforeUnmount(end)
</script>

<template>
  <span
    ref="level"
    class="level"
    role="meter"
    :aria-label="label"
    aria-valuemin="-60"
    aria-valuemax="0"
    aria-valuenow="-60"
    aria-valuetext="nothing"
  >
    <span class="line"><span v-if="!leaving" class="window"></span></span>
  </span>
</template>

<style scoped>
.level {
  display: block;
  height: 18px;
  padding-right: 48px;
}

.line {
  display: block;
  position: relative;
  height: 100%;
  background: linear-gradient(var(--rule-strong), var(--rule-strong)) 0 50% / 100% 2px no-repeat;
}

.window {
  position: absolute;
  top: 1px;
  bottom: 1px;
  left: 70%;
  width: 10%;
  border: 1px solid var(--sea);
  border-radius: 3px;
  background: var(--sea-weak);
}
</style>
