<script setup lang="ts">
import { onBeforeUnmount, onMounted, provide, ref } from 'vue'
import { onLevels } from '@/desk/levels'
import { LIGHTS, type Box, type Ink, type Light } from './lights'

/**
 * Something with live levels in it. All of them are drawn on one canvas above the content: writing them into elements would
 * have the browser paint the whole page 25 times a second.
 */
const ASK_PLACES_EVERY = 250
/** Light spills a little beyond its element. */
const SPILL = 6

const root = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const lights = new Set<Light>()
const drawn = new Map<Light, { box: Box; look: string }>()
let ink: Ink = { glow: '', peak: '', text: '', font: '' }
let askedAt = 0
let size = { width: 0, height: 0 }
let boxes = new Map<Light, Box>()
/** Where the rows end and what stays in view above them begins. */
let top = 0
/** The columns in which there is light: the canvas covers no more, since it is copied with every frame. */
let across = { x: 0, width: 0 }
let asked = false
let end = () => {}
let sizes: ResizeObserver | undefined

provide(LIGHTS, lights)

function askPlaces() {
  askedAt = performance.now()
  const frame = root.value!.getBoundingClientRect()
  size = { width: Math.round(frame.width), height: Math.round(frame.height) }
  const head = root.value!.querySelector('thead th')?.getBoundingClientRect().bottom ?? frame.top
  if (head - frame.top !== top) drawn.clear()
  top = head - frame.top
  boxes = new Map()
  for (const light of lights) {
    const place = light.element()?.getBoundingClientRect()
    if (!place || place.bottom < head || place.top > frame.bottom || place.width === 0) continue
    boxes.set(light, {
      x: place.left - frame.left,
      y: place.top - frame.top,
      width: place.width,
      height: place.height,
    })
  }
  coverLights()
  const style = getComputedStyle(root.value!)
  const token = (name: string) => style.getPropertyValue(`--${name}`).trim()
  const now = {
    glow: token('glow'),
    peak: token('lantern'),
    text: token('ink'),
    font: `${style.fontSize} ${style.fontFamily}`,
  }
  if (JSON.stringify(now) === JSON.stringify(ink)) return
  ink = now
  drawn.clear()
}

function coverLights() {
  const all = [...boxes.values()]
  const x = Math.max(0, Math.floor(Math.min(...all.map((box) => box.x)) - SPILL))
  const end = Math.min(size.width, Math.ceil(Math.max(...all.map((box) => box.x + box.width)) + SPILL))
  if (all.length === 0 || (x === across.x && end - x === across.width)) return
  across = { x, width: end - x }
  canvas.value!.style.left = `${x}px`
  canvas.value!.style.width = `${across.width}px`
  drawn.clear()
}

function draw() {
  if (!canvas.value || !root.value) return
  if (performance.now() - askedAt > ASK_PLACES_EVERY) askPlaces()
  const ratio = devicePixelRatio
  const pen = canvas.value.getContext('2d')!
  const width = Math.round(across.width * ratio)
  const height = Math.round(size.height * ratio)
  if (canvas.value.width !== width || canvas.value.height !== height) {
    canvas.value.width = width
    canvas.value.height = height
    drawn.clear()
  }
  pen.setTransform(ratio, 0, 0, ratio, -across.x * ratio, 0)
  if (drawn.size === 0) pen.clearRect(across.x, 0, across.width, size.height)
  pen.save()
  pen.beginPath()
  pen.rect(0, top, size.width, size.height - top)
  pen.clip()
  for (const [light, { box }] of drawn) {
    const now = boxes.get(light)
    if (now && lights.has(light) && same(now, box)) continue
    clear(pen, box)
    drawn.delete(light)
  }
  for (const [light, box] of boxes) {
    const look = light.look(box)
    if (drawn.get(light)?.look === look) continue
    clear(pen, box)
    light.draw(pen, box, ink)
    drawn.set(light, { box, look })
  }
  pen.restore()
}

const same = (a: Box, b: Box) => a.x === b.x && a.y === b.y && a.width === b.width

function clear(pen: CanvasRenderingContext2D, box: Box) {
  pen.clearRect(box.x - SPILL, box.y - SPILL, box.width + 2 * SPILL, box.height + 2 * SPILL)
}

/** Content moved: places are asked for again, and what was drawn goes with it in the same frame. */
function move() {
  if (asked) return
  asked = true
  requestAnimationFrame(() => {
    asked = false
    if (!root.value) return
    askPlaces()
    draw()
  })
}

onMounted(() => {
  end = onLevels(draw)
  sizes = new ResizeObserver(move)
  sizes.observe(root.value!)
})
onBeforeUnmount(() => {
  end()
  sizes?.disconnect()
})
</script>

<template>
  <div ref="root" class="lit" @scroll.capture.passive="move">
    <canvas ref="canvas" aria-hidden="true"></canvas>
    <slot></slot>
  </div>
</template>

<style scoped>
.lit {
  position: relative;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  isolation: isolate;
}

canvas {
  position: absolute;
  z-index: 3;
  top: 0;
  left: 0;
  height: 100%;
  pointer-events: none;
}
</style>
