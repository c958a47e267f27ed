<script setup lang="ts">
import { onBeforeUnmount, ref, watchEffect } from 'vue'
import { watchLevel } from '@/desk/levels'
import { shown } from './scale'

/** A level coming in, from -60 to 0 dBFS, with its held peak, its number, and the window that peaks should reach. */
const { light } = defineProps<{ light: string }>()

const PAUSE = 200

const bar = ref<HTMLElement>()
const number = ref<HTMLElement>()
let told = ''
let toldAt = 0
let end = () => {}

const share = (level: number) => Math.max(0, Math.min(1, (level + 60) / 60))

/**
 * Light and peak are two backgrounds of one element: sizing them needs no layout and no layers of their own, which
 * transforms would. The number is written when it differs, five times a second.
 */
function paint(level: number, held: number) {
  if (!bar.value || !number.value) return
  bar.value.style.backgroundSize = `${share(held) ? 2 : 0}px 12px, ${(100 * share(level)).toFixed(1)}% 6px`
  bar.value.style.backgroundPosition = `${(100 * share(held)).toFixed(1)}% 50%, 0 50%`
  const words = held > -90 ? shown(held).replace('+', '') : '–'
  if (words === told || performance.now() - toldAt < PAUSE) return
  toldAt = performance.now()
  number.value.textContent = told = words
}

watchEffect(() => {
  end()
  end = watchLevel(light, paint)
})
onBeforeUnmount(() => end())
</script>

<template>
  <span class="level">
    <span class="line">
      <span class="window"></span>
      <span ref="bar" class="light"></span>
    </span>
    <span ref="number" class="reading">–</span>
  </span>
</template>

<style scoped>
.level {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line {
  position: relative;
  flex: 1;
  min-width: 70px;
  height: 16px;
  overflow: hidden;
  background: linear-gradient(var(--rule-strong), var(--rule-strong)) 0 50% / 100% 2px no-repeat;
}

.light {
  position: absolute;
  inset: 0;
  background:
    linear-gradient(var(--lantern), var(--lantern)) no-repeat,
    linear-gradient(var(--glow), var(--glow)) no-repeat;
  background-size: 0 0;
}

.window {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 70%;
  width: 10%;
  border: 1px solid var(--sea);
  border-radius: 3px;
  background: var(--sea-weak);
}

.reading {
  contain: strict;
  width: 40px;
  height: 18px;
  text-align: right;
}
</style>
