<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { levelOf, readLevels } from '@/desk/levels'
import { useLight, type Box, type Ink } from '@/parts/lights'
import { shown } from '@/parts/scale'

/** How much something holds back, as a line that grows from the right, and its number. */
const { light, label } = defineProps<{ light: string; label: string }>()

const MOST_DB = 24
const NUMBER = 62

const place = ref<HTMLElement>()
const held = () => Math.max(0, -Math.min(0, levelOf(light)))
const known = () => levelOf(light) > -100
const words = () => (known() && held() >= 0.05 ? `${shown(-held())} dB` : 'at rest')

useLight(place, {
  look: (box) => `${Math.round(((box.width - NUMBER) * held()) / MOST_DB)} ${words()}`,
  draw(pen: CanvasRenderingContext2D, box: Box, ink: Ink) {
    const room = box.width - NUMBER
    const length = known() ? Math.min(room, Math.round((room * held()) / MOST_DB)) : 0
    pen.fillStyle = ink.glow
    pen.fillRect(box.x + room - length, box.y + box.height / 2 - 3, length, 6)
    pen.fillStyle = ink.text
    pen.font = ink.font
    pen.textAlign = 'right'
    pen.textBaseline = 'middle'
    pen.fillText(words(), box.x + box.width, box.y + box.height / 2 + 1)
  },
})

let told = ''

/** Whatever is written has the whole page painted: only what is another word. */
const end = readLevels(() => {
  if (!place.value || words() === told) return
  told = words()
  place.value.ariaValueNow = held().toFixed(0)
  place.value.ariaValueText = words()
})
onBeforeUnmount(end)
</script>

<template>
  <span
    ref="place"
    class="held"
    role="meter"
    :aria-label="label"
    aria-valuemin="0"
    :aria-valuemax="MOST_DB"
    aria-valuenow="0"
    aria-valuetext="at rest"
  >
    <span class="line"></span>
  </span>
</template>

<style scoped>
.held {
  display: block;
  height: 18px;
  padding-right: 62px;
}

.line {
  display: block;
  height: 100%;
  background: linear-gradient(var(--rule-strong), var(--rule-strong)) 0 50% / 100% 2px no-repeat;
}
</style>
