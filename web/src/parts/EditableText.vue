<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { inNextRow, stepOf } from './nextRow'

/** A name that can be written over in place. Enter accepts, Escape leaves it as it was. */
const {
  text,
  label,
  set,
  empty = '',
  column,
} = defineProps<{
  text: string
  label: string
  set: (text: string) => Promise<unknown>
  /** What stands there while there is no text. */
  empty?: string
  /** Whether Enter goes on to write over the next row's, up and down arrows too. */
  column?: boolean
}>()

const typing = ref(false)
const written = ref('')
const box = ref<HTMLInputElement>()

async function begin() {
  written.value = text
  typing.value = true
  await nextTick()
  box.value?.select()
}

function accept() {
  if (!typing.value) return
  typing.value = false
  if (written.value.trim() !== text) void set(written.value.trim())
}

function press(event: KeyboardEvent) {
  event.stopPropagation()
  const by = stepOf(event)
  if (!by || (!column && event.key !== 'Enter')) return
  event.preventDefault()
  const next = column ? inNextRow(box.value, 'text', by) : undefined
  accept()
  next?.click()
}
</script>

<template>
  <input
    v-if="typing"
    ref="box"
    v-model="written"
    class="box"
    :aria-label="label"
    @keydown.esc.stop="typing = false"
    @keydown="press"
    @blur="accept"
  />
  <button v-else class="plain name" data-typed="text" :title="`${label}: click to change`" @click="begin">
    {{ text || empty }}
  </button>
</template>

<style scoped>
.box {
  width: 100%;
  padding: 1px 4px;
  border: 1px solid var(--sea);
  border-radius: 4px;
  background: var(--sheet);
  font-weight: inherit;
}

.name {
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  border-bottom: 1px dotted var(--rule-strong);
  cursor: text;
  font-weight: inherit;
}

.name:hover {
  border-bottom-color: var(--sea);
}
</style>
