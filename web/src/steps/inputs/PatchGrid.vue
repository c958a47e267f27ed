<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { api } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { theme } from '@/look/theme'
import { CELL, LEFT, paint, TOP } from './gridPaint'

/** Ports across, tracks down: a press feeds a track, a diagonal stroke feeds many. */
const desk = useDesk()
const scroller = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const cursor = ref({ row: 0, column: 0 })
const stroke = ref<{ row: number; column: number }[]>([])
let begun: { row: number; column: number; on: boolean } | null = null
let asked = false

const tracks = computed(() => desk.tracks.filter((track) => track.role === 'input'))
const ports = computed(() => desk.ports)
const columnOf = computed(() => new Map(ports.value.map((port, at) => [port.id, at])))
const fed = computed(() =>
  tracks.value.map((track) =>
    desk.standingOf(track.id).ports.flatMap((port) => {
      const column = columnOf.value.get(port ?? '')
      return column === undefined ? [] : [column]
    }),
  ),
)
const size = computed(() => ({
  width: `${LEFT + ports.value.length * CELL}px`,
  height: `${TOP + tracks.value.length * CELL}px`,
}))
const words = computed(() => {
  const track = tracks.value[cursor.value.row]
  const port = ports.value[cursor.value.column]
  if (!track || !port) return ''
  const used = port.usedBy.length ? `, ${port.usedBy.join(', ')}` : ''
  const on = fed.value[cursor.value.row]!.includes(cursor.value.column)
  return `${port.houseLabel}${used} ${on ? 'feeds' : 'does not feed'} ${track.name}`
})

function draw() {
  asked = false
  if (!canvas.value || !scroller.value) return
  paint(canvas.value, {
    tracks: tracks.value,
    ports: ports.value.map((port) => port.houseLabel),
    fed: fed.value,
    cursor: cursor.value,
    stroke: stroke.value,
    scroll: { x: scroller.value.scrollLeft, y: scroller.value.scrollTop },
  })
}

/** Once a frame, whatever asks for it. */
function ask() {
  if (asked) return
  asked = true
  requestAnimationFrame(draw)
}

watch([tracks, ports, fed, cursor, stroke, theme], () => nextTick(ask), { deep: true })
const view = ref({ width: '0px', height: '0px' })
const watcher = new ResizeObserver(() => {
  const { clientWidth, clientHeight } = scroller.value!
  view.value = { width: `${clientWidth}px`, height: `${clientHeight}px` }
  void nextTick(ask)
})

onMounted(() => {
  if (scroller.value) watcher.observe(scroller.value)
  void document.fonts.ready.then(ask)
})
onBeforeUnmount(() => watcher.disconnect())

function cellAt(event: PointerEvent) {
  const box = canvas.value!.getBoundingClientRect()
  const x = event.clientX - box.left - LEFT + scroller.value!.scrollLeft
  const y = event.clientY - box.top - TOP + scroller.value!.scrollTop
  const cell = { row: Math.floor(y / CELL), column: Math.floor(x / CELL) }
  const inside = event.clientX - box.left >= LEFT && event.clientY - box.top >= TOP
  return inside && cell.row < tracks.value.length && cell.column < ports.value.length ? cell : null
}

/** From where the stroke began one track further down for each step, and as many ports further as the track is wide. */
function crossings(to: { row: number; column: number }) {
  if (!begun) return []
  const cells = [{ row: begun.row, column: begun.column }]
  for (let row = begun.row + 1; row <= to.row; row++) {
    const column = cells.at(-1)!.column + tracks.value[row - 1]!.width
    if (column > to.column || column >= ports.value.length) break
    cells.push({ row, column })
  }
  return cells
}

function press(event: PointerEvent) {
  const cell = cellAt(event)
  if (!cell || event.button !== 0) return
  canvas.value!.setPointerCapture(event.pointerId)
  scroller.value!.focus()
  begun = { ...cell, on: !fed.value[cell.row]!.includes(cell.column) }
  cursor.value = cell
  stroke.value = [cell]
}

function move(event: PointerEvent) {
  const cell = cellAt(event)
  if (!cell) return
  cursor.value = cell
  if (begun) stroke.value = crossings(cell)
}

function release() {
  const cells = stroke.value
  const on = begun?.on ?? true
  begun = null
  stroke.value = []
  if (cells.length) void feed(cells, on)
}

function feed(cells: { row: number; column: number }[], on: boolean) {
  const params = { path: { session: desk.session!.id } }
  const crossings = cells.map(({ row, column }) => ({
    track: tracks.value[row]!.id,
    port: on ? ports.value[column]!.id : null,
  }))
  return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/stroke', { params, body: { crossings } }))
}

const MOVES: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

function key(event: KeyboardEvent) {
  const by = MOVES[event.key]
  if (by) {
    const row = Math.max(0, Math.min(tracks.value.length - 1, cursor.value.row + by[0]))
    const column = Math.max(0, Math.min(ports.value.length - 1, cursor.value.column + by[1]))
    cursor.value = { row, column }
    reveal()
  } else if (event.key === ' ' || event.key === 'Enter') {
    if (tracks.value.length) void feed([cursor.value], !fed.value[cursor.value.row]!.includes(cursor.value.column))
  } else return
  event.preventDefault()
  event.stopPropagation()
}

function reveal() {
  const box = scroller.value!
  const x = cursor.value.column * CELL
  const y = cursor.value.row * CELL
  box.scrollLeft = Math.min(x, Math.max(box.scrollLeft, x + CELL + LEFT - box.clientWidth))
  box.scrollTop = Math.min(y, Math.max(box.scrollTop, y + CELL + TOP - box.clientHeight))
}
</script>

<template>
  <p v-if="tracks.length === 0 || ports.length === 0" class="soft">
    The grid needs ports across and tracks down. Add a device under Rig, and tracks under Tracks.
  </p>
  <template v-else>
    <div
      ref="scroller"
      class="sheet scroller"
      tabindex="0"
      role="application"
      aria-label="Grid of ports and tracks"
      aria-describedby="grid-words"
      @scroll="ask"
      @keydown="key"
    >
      <div :style="size" class="whole">
        <canvas
          ref="canvas"
          :style="view"
          @pointerdown="press"
          @pointermove="move"
          @pointerup="release"
          @pointercancel="release"
        ></canvas>
      </div>
    </div>
    <p id="grid-words" class="words" role="status">{{ words }}</p>
  </template>
</template>

<style scoped>
.scroller {
  position: relative;
  flex: 1;
}

canvas {
  position: sticky;
  top: 0;
  left: 0;
  display: block;
  touch-action: none;
}

.words {
  margin: 8px 0 0;
}
</style>
