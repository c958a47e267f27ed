<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Level } from '@/api/client'
import { tell } from '@/desk/notice'
import { inNextRow, stepOf } from './nextRow'
import { shown, typed } from './scale'

/** A level as a number that can be typed over. Enter goes on to the next row's, which is typed over by its first digit. */
const { level, label, set } = defineProps<{
  level: Level
  label: string
  set: (level: Level) => Promise<unknown>
}>()

const typing = ref(false)
const text = ref('')
const box = ref<HTMLInputElement>()

const button = ref<HTMLElement>()

/** @param first what was typed already */
async function begin(first?: string) {
  text.value = first ?? (level === 'off' ? '' : String(level))
  typing.value = true
  await nextTick()
  if (first) box.value?.focus()
  else box.value?.select()
}

function pressClosed(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const next = event.key === 'Enter' ? undefined : inNextRow(button.value, 'level', stepOf(event) ?? 1)
  if (stepOf(event) && next) next.focus()
  else if (/^[-−.,\d]$/.test(event.key)) void begin(event.key)
  else return
  event.preventDefault()
  event.stopPropagation()
}

/** Whether what was typed is a level; if not, it stays to be mended. */
function accept(): boolean {
  if (!typing.value) return true
  const wanted = typed(text.value)
  if (wanted === null) {
    tell(`"${text.value}" is no level. Type a number of dB, or off.`)
    return false
  }
  typing.value = false
  if (wanted !== level) void set(wanted)
  return true
}

function press(event: KeyboardEvent) {
  const by = stepOf(event)
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  const next = inNextRow(box.value, 'level', by)
  if (accept()) next?.focus()
}
</script>

<template>
  <input
    v-if="typing"
    ref="box"
    v-model="text"
    class="box"
    :aria-label="`${label}, in dB`"
    @keydown="press"
    @keydown.esc.stop="typing = false"
    @blur="accept"
  />
  <button
    v-else
    ref="button"
    class="plain box"
    data-typed="level"
    :class="{ off: level === 'off' }"
    :aria-label="`${label}: ${shown(level)}, type a level`"
    @click="begin()"
    @keydown="pressClosed"
    @keyup.space.prevent
  >
    {{ shown(level) }}
  </button>
</template>

<style scoped>
.box {
  display: inline-block;
  width: 54px;
  padding: 2px 4px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  text-align: right;
  font-weight: 600;
  cursor: text;
}

input.box {
  border-color: var(--sea);
  background: var(--sheet);
}

button.box:hover {
  border-color: var(--rule-strong);
}

.off {
  color: var(--soft);
  font-weight: 500;
}
</style>
