<script setup lang="ts">
import { onBeforeUnmount, ref, watchEffect } from 'vue'
import { watchLevel } from '@/desk/levels'

/** A small round light whose brightness is a live level: dark at -54 dBFS, full at -6. */
const { light } = defineProps<{ light: string }>()

const glow = ref<HTMLElement>()
let end = () => {}

watchEffect(() => {
  end()
  end = watchLevel(light, (level) => {
    if (glow.value) glow.value.style.opacity = (Math.max(0, Math.min(1, (level + 54) / 48)) ** 2).toFixed(2)
  })
})
onBeforeUnmount(() => end())
</script>

<template>
  <span class="lamp" aria-hidden="true"><span ref="glow"></span></span>
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

.lamp span {
  display: block;
  width: 10px;
  height: 10px;
  border-radius: 50%;
  opacity: 0;
  background: var(--glow);
  box-shadow: 0 0 6px var(--glow);
}
</style>
