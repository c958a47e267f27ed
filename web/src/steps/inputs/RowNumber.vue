<script setup lang="ts">
import type { Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'

/** An input's number, to be typed over, and the handle by which its row is dragged. */
const { input } = defineProps<{ input: Input }>()
const emit = defineEmits<{ drag: [dragged: boolean] }>()

const desk = useDesk()

function renumber(event: Event) {
  const box = event.target as HTMLInputElement
  const number = Number(box.value)
  box.value = String(input.number)
  if (!Number.isInteger(number)) tell('Inputs are numbered from 1 to 999.')
  else if (number !== input.number) void desk.edit([{ kind: 'number-input', input: input.id, number }])
}
</script>

<template>
  <input
    class="plain no"
    :value="input.number"
    :aria-label="`Number of ${input.source}`"
    @change="renumber"
    @keydown.stop
    @click.stop
  />
  <span
    class="grip"
    title="Select this row, or drag it elsewhere"
    aria-hidden="true"
    draggable="true"
    @dragstart="emit('drag', true)"
    @dragend="emit('drag', false)"
  ></span>
</template>

<style scoped>
.no {
  width: 26px;
  text-align: right;
  cursor: text;
  color: var(--soft);
}

.grip {
  display: inline-block;
  width: 8px;
  height: 14px;
  margin-left: 6px;
  vertical-align: -2px;
  border-left: 2px dotted var(--faint);
  cursor: pointer;
}
</style>
