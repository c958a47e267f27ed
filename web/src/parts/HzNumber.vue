<script setup lang="ts">
import { ref, watch } from 'vue'
import { tell } from '@/desk/notice'

/** A frequency that can be typed over; what is being typed stays, whatever else happens. */
const { hz, label, set } = defineProps<{
  hz: number
  label: string
  set: (hz: number) => Promise<unknown>
}>()

const text = ref(String(hz))
const typing = ref(false)

watch(
  () => hz,
  () => {
    if (!typing.value) text.value = String(hz)
  },
)

async function accept() {
  if (!typing.value) return
  typing.value = false
  const wanted = Number(text.value.trim().replace(',', '.'))
  if (text.value.trim() === '' || !Number.isFinite(wanted)) {
    tell(`"${text.value}" is no frequency. Type a number of Hz.`)
  } else if (wanted !== hz) {
    await set(wanted)
  }
  text.value = String(hz)
}

function leave() {
  typing.value = false
  text.value = String(hz)
}
</script>

<template>
  <label>
    <input
      v-model="text"
      class="field"
      inputmode="numeric"
      :aria-label="`${label} in Hz`"
      @focus="($event.target as HTMLInputElement).select()"
      @input="typing = true"
      @keydown.enter.stop="accept"
      @keydown.esc.stop="leave"
      @blur="accept"
    />
    Hz
  </label>
</template>

<style scoped>
label {
  display: flex;
  align-items: center;
  gap: 4px;
  color: var(--soft);
  font-size: 12.5px;
}

input {
  width: 62px;
  text-align: right;
}
</style>
