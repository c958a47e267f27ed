<script setup lang="ts">
import { onBeforeUnmount, ref, watchEffect } from 'vue'
import { watchLevel } from '@/desk/levels'
import { shown } from './scale'

/** A level coming in, from -60 to 0 dBFS, with its held peak, its number, and the window that peaks should reach. */
const { light } = defineProps<{ light: string }>()

const bar = ref<HTMLElement>()
const peak = ref<HTMLElement>()
const number = ref<HTMLElement>()
let end = () => {}

const share = (level: number) => Math.max(0, Math.min(1, (level + 60) / 60))

watchEffect(() => {
  end()
  end = watchLevel(light, (level, held) => {
    if (!bar.value || !peak.value || !number.value) return
    bar.value.style.transform = `scaleX(${share(level)})`
    peak.value.style.left = `${100 * share(held)}%`
    peak.value.style.visibility = held > -60 ? 'visible' : 'hidden'
    number.value.textContent = held > -90 ? shown(held).replace('+', '') : '–'
  })
})
onBeforeUnmount(() => end())
</script>

<template>
  <span class="level">
    <span class="line">
      <span class="window"></span>
      <span ref="bar" class="light"></span>
      <span ref="peak" class="peak"></span>
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
  background: linear-gradient(var(--rule-strong), var(--rule-strong)) 0 50% / 100% 2px no-repeat;
}

.light {
  position: absolute;
  inset: 5px 0;
  border-radius: 3px;
  background: var(--glow);
  transform-origin: left;
  transform: scaleX(0);
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

.peak {
  position: absolute;
  top: 2px;
  bottom: 2px;
  width: 2px;
  background: var(--lantern);
  visibility: hidden;
}

.reading {
  width: 40px;
  text-align: right;
}
</style>
