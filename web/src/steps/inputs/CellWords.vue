<script setup lang="ts">
import { computed } from 'vue'
import type { Input } from '@/api/client'
import { channelWord, widthWord } from '@/desk/feeds'
import type { Column } from './columns'

/** What stands in a cell, with what is to be known beside it. */
const { input, column, shown, arrival, standing } = defineProps<{
  input: Input
  column: Column
  /** The columns that are in sight. */
  shown: string[]
  /** Where its cables' signal arrives by ties. */
  arrival: string
  /** How its preamp stands, if not as wanted. */
  standing: string
}>()

/** What is special about how a source comes, where no column says it. */
const besides = computed(() => {
  const width = input.width > 1 && !shown.includes('width') ? [widthWord(input.width)] : []
  const polarity = input.polarityFlipped && !shown.includes('polarity') ? ['polarity flipped'] : []
  return [...width, ...polarity].join(', ')
})

const unpatched = computed(() => {
  const open = Array.from({ length: input.width }, (_, at) => channelWord(input.width, at)).slice(input.ports.length)
  return input.ports.length ? `no port for ${open.join(', ')}` : 'no port'
})
</script>

<template>
  <span
    :class="{
      never: column.key === 'phantom' && input.phantom === 'never',
      soft: column.key === 'phantom' && input.phantom === 'off',
    }"
    >{{ column.shown(input) }}</span
  >
  <span v-if="column.key === 'source' && besides" class="soft beside">{{ besides }}</span>
  <template v-if="column.key === 'port'">
    <span v-if="arrival" class="soft small"> → {{ arrival }}</span>
    <span v-if="input.ports.length < input.width" class="flare"> {{ unpatched }}</span>
  </template>
  <span v-if="column.key === 'gain' && standing" class="soft beside">{{ standing }}</span>
  <span v-if="column.key === 'track' && !column.shown(input)" class="flare">no track</span>
</template>

<style scoped>
.never {
  font-weight: 600;
}

.small,
.beside {
  font-size: 12.5px;
}

.beside {
  margin-left: 6px;
  font-weight: 400;
}
</style>
