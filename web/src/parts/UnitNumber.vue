<script setup lang="ts">
import { ref, watch } from 'vue'
import { tell } from '@/desk/notice'

/** A number with its unit that can be typed over; what is being typed stays, whatever else happens. */
const { value, unit, label, set } = defineProps<{
  value: number
  unit: string
  label: string
  set: (value: number) => Promise<unknown>
}>()

const written = () => String(value).replace('-', '−')
const text = ref(written())
const typing = ref(false)

watch(
  () => value,
  () => {
    if (!typing.value) text.value = written()
  },
)

async function accept() {
  if (!typing.value) return
  typing.value = false
  const wanted = Number(text.value.trim().replace(',', '.').replace('−', '-'))
  if (text.value.trim() === '' || !Number.isFinite(wanted)) {
    tell(`"${text.value}" is no number. Type one, in ${unit}.`)
  } else if (wanted !== value) {
    await set(wanted)
  }
  text.value = written()
}

function leave() {
  typing.value = false
  text.value = written()
}
</script>

<template>
  <label>
    <input
      v-model="text"
      class="field"
      inputmode="decimal"
      :aria-label="`${label} in ${unit}`"
      @focus="($event.target as HTMLInputElement).select()"
      @input="typing = true"
      @keydown.enter.stop="accept"
      @keydown.esc.stop="leave"
      @blur="accept"
    />
    <span>{{ unit }}</span>
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
