<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Backing } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { followPointer, useDrag } from '@/desk/gesture'

/** How loud a sound is along its length, with its beginning and its end to be dragged. */
const { backing, seconds, trim } = defineProps<{
  backing: Backing
  seconds: number
  trim: (from: number, to: number, gesture: string) => Promise<unknown>
}>()

const desk = useDesk()
const LEAST = 0.05

const peaks = ref(new Uint8Array())
watch(
  () => backing.media.id,
  async () => {
    const answer = await fetch(`/api/sessions/${desk.session!.id}/media/${backing.track}/peaks`).catch(() => null)
    peaks.value = answer?.ok ? new Uint8Array(await answer.arrayBuffer()) : new Uint8Array()
  },
  { immediate: true },
)

const outline = computed(() => {
  const width = Math.max(1, peaks.value.length)
  const upper = [...peaks.value].map((peak, at) => `${at},${(50 - peak / 5.2).toFixed(1)}`)
  const lower = [...peaks.value].map((peak, at) => `${at},${(50 + peak / 5.2).toFixed(1)}`).reverse()
  return { width, points: [...upper, ...lower].join(' ') }
})

/** What is being dragged, where it is just now. */
const held = ref<{ from: number; to: number } | null>(null)
const shown = computed(() => held.value ?? { from: backing.from, to: Math.min(backing.to, seconds) })
const share = (at: number) => `${(100 * at) / seconds}%`

function grab(event: PointerEvent, end: 'from' | 'to') {
  const box = (event.currentTarget as HTMLElement).parentElement!.getBoundingClientRect()
  const drag = useDrag(({ from, to }: { from: number; to: number }, gesture) => trim(from, to, gesture))
  held.value = { ...shown.value }
  followPointer(
    event,
    (by) => {
      const next = { ...held.value! }
      const at = next[end] + (by * seconds) / box.width
      if (end === 'from') next.from = Math.max(0, Math.min(next.to - LEAST, at))
      else next.to = Math.min(seconds, Math.max(next.from + LEAST, at))
      held.value = next
      drag.move(next)
    },
    async () => {
      await drag.finish()
      held.value = null
    },
  )
}
</script>

<template>
  <div class="picture">
    <svg
      :viewBox="`0 0 ${outline.width} 100`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`Loudness of ${backing.media.name}`"
    >
      <polygon :points="outline.points" />
    </svg>
    <span class="off" :style="{ left: 0, width: share(shown.from) }"></span>
    <span class="off" :style="{ left: share(shown.to), right: 0 }"></span>
    <span
      class="edge"
      title="Drag: where it begins in its file"
      :style="{ left: share(shown.from) }"
      @pointerdown="grab($event, 'from')"
    ></span>
    <span
      class="edge"
      title="Drag: where it ends in its file"
      :style="{ left: share(shown.to) }"
      @pointerdown="grab($event, 'to')"
    ></span>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  height: 46px;
  margin: 4px 6px;
}

svg {
  width: 100%;
  height: 100%;
}

polygon {
  fill: var(--glow);
}

.off {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--sheet) 78%, transparent);
}

.edge {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 12px;
  margin-left: -6px;
  cursor: ew-resize;
  touch-action: none;
}

.edge::after {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 5px;
  width: 2px;
  background: var(--sea);
  content: '';
}
</style>
