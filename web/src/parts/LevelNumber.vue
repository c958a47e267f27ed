<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Level } from '@/api/client'
import { tell } from '@/desk/notice'
import { shown, typed } from './scale'

/** A level as a number that can be typed over. */
const { level, label, set } = defineProps<{
  level: Level
  label: string
  set: (level: Level) => Promise<unknown>
}>()

const typing = ref(false)
const text = ref('')
const box = ref<HTMLInputElement>()

async function begin() {
  text.value = level === 'off' ? '' : String(level)
  typing.value = true
  await nextTick()
  box.value?.select()
}

function accept() {
  if (!typing.value) return
  const wanted = typed(text.value)
  if (wanted === null) return tell(`"${text.value}" is no level. Type a number of dB, or off.`)
  typing.value = false
  if (wanted !== level) void set(wanted)
}
</script>

<template>
  <input
    v-if="typing"
    ref="box"
    v-model="text"
    class="box"
    :aria-label="`${label}, in dB`"
    @keydown.enter.stop="accept"
    @keydown.esc.stop="typing = false"
    @blur="accept"
  />
  <button
    v-else
    class="plain box"
    :class="{ off: level === 'off' }"
    :aria-label="`${label}: ${shown(level)}, type a level`"
    @click="begin"
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
