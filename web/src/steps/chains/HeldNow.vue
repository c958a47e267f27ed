<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { levelOf, readLevels } from '@/desk/levels'
import { useLight, type Box, type Ink } from '@/parts/lights'

/** How much an effect holds back now, as a word in its row: "−4 dB"; nothing while it rests. */
const { light, label } = defineProps<{ light: string; label: string }>()

const DARK = -100

const place = ref<HTMLElement>()
const held = () => (levelOf(light) > DARK ? Math.round(-Math.min(0, levelOf(light))) : 0)
const words = () => (held() >= 1 ? `−${held()} dB` : '')

useLight(place, {
  look: words,
  draw(pen: CanvasRenderingContext2D, box: Box, ink: Ink) {
    pen.fillStyle = ink.glow
    pen.font = ink.font
    pen.textAlign = 'left'
    pen.textBaseline = 'middle'
    pen.fillText(words(), box.x, box.y + box.height / 2 + 1)
  },
})

let told = ''
const end = readLevels(() => {
  if (!place.value || words() === told) return
  told = words()
  place.value.ariaValueNow = String(held())
  place.value.ariaValueText = words() || 'at rest'
})
onBeforeUnmount(end)
</script>

<template>
  <span
    ref="place"
    class="now"
    role="meter"
    :aria-label="label"
    aria-valuemin="0"
    aria-valuemax="90"
    aria-valuenow="0"
    aria-valuetext="at rest"
  ></span>
</template>

<style scoped>
.now {
  display: inline-block;
  width: 46px;
  margin-left: 6px;
  height: 16px;
  vertical-align: middle;
}
</style>
