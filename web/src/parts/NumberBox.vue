<script setup lang="ts">
import { ref, watch } from 'vue'
import { tell } from '@/desk/notice'

/**
 * A number to be typed over, with its unit if it has one; arrows move it. What is being typed stays, whatever else happens. An empty
 * box is a number's absence where that is said to be possible.
 */
const {
  value,
  label,
  set,
  unit = '',
  range = undefined,
  min = undefined,
  step = 1,
  placeholder = '',
  optional = undefined,
} = defineProps<{
  value: number | null
  label: string
  set: (value: number) => unknown
  unit?: string
  range?: { from: number; to: number }
  min?: number
  /** By how much the arrow keys move it. */
  step?: number
  placeholder?: string
  /** What an empty box does; left out, nothing. */
  optional?: () => unknown
}>()

const written = () => (value === null ? '' : String(value).replace('-', '−'))
const text = ref(written())
const typing = ref(false)

watch(
  () => value,
  () => {
    if (!typing.value) text.value = written()
  },
)

const lowest = () => min ?? range?.from ?? -Infinity
const highest = () => range?.to ?? Infinity

async function accept() {
  if (!typing.value) return
  typing.value = false
  const typed = text.value.trim()
  const wanted = Number(typed.replace(',', '.').replace('−', '-'))
  if (typed === '' && optional) await optional()
  else if (typed === '' || !Number.isFinite(wanted)) tell(`"${typed}" is no number.`)
  else if (wanted < lowest()) tell(`${label}: ${typed} is too low, it begins at ${lowest()}.`)
  else if (wanted > highest()) tell(`${label}: ${typed} is too high, it ends at ${highest()}.`)
  else if (wanted !== value) await set(wanted)
  text.value = written()
}

function leave() {
  typing.value = false
  text.value = written()
}

async function nudge(by: number) {
  await accept()
  if (value === null) return
  const wanted = Math.max(lowest(), Math.min(highest(), Number((value + by).toFixed(3))))
  if (wanted !== value) await set(wanted)
}
</script>

<template>
  <span class="number">
    <input
      v-model="text"
      class="field"
      inputmode="decimal"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-label="unit ? `${label} in ${unit}` : label"
      @focus="($event.target as HTMLInputElement).select()"
      @input="typing = true"
      @keydown.enter.stop="accept"
      @keydown.esc.stop="leave"
      @keydown.up.prevent.stop="nudge(step)"
      @keydown.down.prevent.stop="nudge(-step)"
      @blur="accept"
    />
    <span v-if="unit">{{ unit }}</span>
  </span>
</template>

<style scoped>
:where(.number) {
  width: 84px;
}

.number {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  color: var(--soft);
  font-size: 12.5px;
}

input {
  flex: 1;
  min-width: 0;
  color: var(--ink);
  text-align: right;
}
</style>
