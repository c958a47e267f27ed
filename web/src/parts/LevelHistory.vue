<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { levelOf, onLevels, readLevels } from '@/desk/levels'
import { useLimits } from '@/desk/limits'
import { freshPen } from './pen'
import { placeOf, shown } from './scale'

/** How high something came in since it is looked at, half a minute at most, and where its gain was changed meanwhile. */
const { light, name, gain } = defineProps<{ light: string; name: string; gain: number | null }>()

const SECONDS = 30
const SILENT = -90

/** What was seen at a time, in ms: a level in dB, or that the gain was changed. */
type Seen = { at: number; db: number; turned: boolean }

const canvas = ref<HTMLCanvasElement>()
const words = ref('silent')
const limits = useLimits()
let seen: Seen[] = []
let turned = false

watch(
  () => gain,
  () => (turned = true),
)

function note() {
  const at = performance.now()
  seen.push({ at, db: levelOf(light), turned })
  turned = false
  const oldest = seen.findIndex((each) => each.at > at - 1000 * SECONDS)
  if (oldest > 0) seen = seen.slice(oldest)
  draw(at)
}

function draw(now: number) {
  const fresh = freshPen(canvas.value)
  if (!fresh) return
  const { pen, width, height, style } = fresh
  const x = (at: number) => width * (1 - (now - at) / 1000 / SECONDS)
  const y = (db: number) => height * (1 - Math.min(1, placeOf(db) / placeOf(0)))
  const aim = limits.value?.peakAimDbfs
  if (aim) {
    pen.fillStyle = style.getPropertyValue('--rule')
    pen.fillRect(0, y(aim.to), width, y(aim.from) - y(aim.to))
  }
  pen.strokeStyle = style.getPropertyValue('--rule-strong')
  for (const each of seen) if (each.turned) line(pen, x(each.at), height)
  pen.strokeStyle = style.getPropertyValue('--glow')
  pen.lineWidth = 1.5
  pen.beginPath()
  for (const each of seen) pen.lineTo(x(each.at), y(each.db))
  pen.stroke()
}

function line(pen: CanvasRenderingContext2D, x: number, height: number) {
  pen.beginPath()
  pen.moveTo(x, 0)
  pen.lineTo(x, height)
  pen.stroke()
}

const ends: (() => void)[] = []
onMounted(() => {
  ends.push(onLevels(note))
  ends.push(
    readLevels(() => {
      const highest = Math.max(...seen.map((each) => each.db))
      words.value = highest > SILENT ? `highest ${shown(highest).replace('+', '')} dBFS` : 'silent'
    }),
  )
})
onBeforeUnmount(() => ends.forEach((end) => end()))
</script>

<template>
  <div class="history">
    <span
      ><strong>{{ name }}</strong
      >, the last {{ SECONDS }} s: {{ words }}
      <span v-if="limits" class="soft"
        >(aim: {{ shown(limits.peakAimDbfs.from) }} to {{ shown(limits.peakAimDbfs.to) }}, tinted)</span
      ></span
    >
    <canvas ref="canvas" role="img" :aria-label="`Level of ${name} in the last ${SECONDS} s: ${words}`"></canvas>
  </div>
</template>

<style scoped>
.history {
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 13px;
  font-variant-numeric: tabular-nums;
}

canvas {
  width: 100%;
  height: 72px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
  background: var(--raised);
}
</style>
