<script setup lang="ts">
import { ref } from 'vue'
import { levelOf } from '@/desk/levels'
import { useLight } from './lights'

/** A small round light whose brightness is a live level: dark at -54 dBFS, full at -6. */
const { light } = defineProps<{ light: string }>()

const STEPS = 50

const lamp = ref<HTMLElement>()
const brightness = () => Math.round(STEPS * Math.max(0, Math.min(1, (levelOf(light) + 54) / 48)) ** 2) / STEPS

useLight(lamp, {
  look: () => String(brightness()),
  draw(pen, box, ink) {
    pen.globalAlpha = brightness()
    pen.fillStyle = ink.glow
    pen.shadowColor = ink.glow
    pen.shadowBlur = 5
    pen.beginPath()
    pen.arc(box.x + box.width / 2, box.y + box.height / 2, box.width / 2 - 1, 0, 2 * Math.PI)
    pen.fill()
    pen.shadowBlur = 0
    pen.globalAlpha = 1
  },
})
</script>

<template>
  <span ref="lamp" class="lamp" aria-hidden="true"></span>
</template>

<style scoped>
.lamp {
  display: inline-block;
  width: 12px;
  height: 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 50%;
  background: var(--raised);
  vertical-align: -1px;
}
</style>
