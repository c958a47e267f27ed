<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { levelOf, onLevels } from '@/desk/levels'
import { freshPen } from '@/parts/pen'

/** How much an effect held back over the last seconds: a line that hangs from the top. */
const { light, label } = defineProps<{ light: string; label: string }>()

const SECONDS = 5
const MOST_DB = 24
const DARK = -100

const canvas = ref<HTMLCanvasElement>()
let seen: { at: number; db: number }[] = []

function note() {
  const at = performance.now()
  const now = levelOf(light)
  seen.push({ at, db: now > DARK ? -Math.min(0, now) : 0 })
  const oldest = seen.findIndex((each) => each.at > at - 1000 * SECONDS)
  if (oldest > 1) seen = seen.slice(oldest - 1)
  draw(at)
}

function draw(now: number) {
  const fresh = freshPen(canvas.value)
  if (!fresh) return
  const { pen, width, height, style } = fresh
  const x = (at: number) => width * (1 - (now - at) / 1000 / SECONDS)
  const y = (db: number) => (height * Math.min(db, MOST_DB)) / MOST_DB
  pen.strokeStyle = style.getPropertyValue('--rule-strong')
  pen.fillStyle = style.getPropertyValue('--soft')
  pen.font = `10px ${style.fontFamily}`
  pen.lineWidth = 0.6
  for (const db of [6, 12]) {
    pen.beginPath()
    pen.moveTo(0, y(db))
    pen.lineTo(width, y(db))
    pen.stroke()
    pen.fillText(`−${db} dB`, 2, y(db) - 2)
  }
  pen.beginPath()
  pen.moveTo(x(seen[0]?.at ?? now), 0)
  for (const each of seen) pen.lineTo(x(each.at), y(each.db))
  pen.lineTo(width, 0)
  pen.closePath()
  pen.fillStyle = style.getPropertyValue('--glow-weak')
  pen.fill()
  pen.strokeStyle = style.getPropertyValue('--glow')
  pen.lineWidth = 1.5
  pen.stroke()
}

let end = () => {}
onMounted(() => (end = onLevels(note)))
onBeforeUnmount(() => end())
</script>

<template>
  <canvas ref="canvas" role="img" :aria-label="`${label}: held back over the last ${SECONDS} s`"></canvas>
</template>

<style scoped>
canvas {
  display: block;
  width: 100%;
  height: 100px;
}
</style>
