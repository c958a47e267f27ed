<script setup lang="ts">
import { computed } from 'vue'
import type { Found } from '@/api/client'
import { useDesk } from '@/desk/desk'

/**
 * What is wrong with a row, under it, with the way out: the part it is about, how findings call it, the rules whose findings
 * the row says in its own cells, and how many columns a sentence stands after and spans.
 */
const {
  part,
  own,
  said = [],
  after,
  columns,
} = defineProps<{ part: string; own: string; said?: string[]; after: number; columns: number }>()

const desk = useDesk()

/** A finding about several parts is said at each of them. */
const found = computed(() =>
  desk.findings.filter(
    (each) => !each.acknowledged && each.about.includes(part) && !said.includes(each.key.split('/')[0]!),
  ),
)

/** The row's own name need not be said again. */
function words(each: Found) {
  return each.sentence.startsWith(own) ? each.sentence.slice(own.length) : each.sentence
}
</script>

<template>
  <tr v-for="each in found" :key="each.key" class="trouble">
    <td :colspan="after"></td>
    <td :colspan="columns">
      <span class="flare" :title="each.why">{{ words(each) }}</span>
      <button v-if="each.button" class="word" @click="desk.edit(each.fix)">{{ each.button }}</button>
      <template v-else>
        <span class="soft">{{ each.byHand }}</span>
        <button v-if="each.turned" class="word" @click="desk.noteTurned(each.turned)">It is set now</button>
      </template>
    </td>
  </tr>
</template>

<style scoped>
.trouble td {
  height: 26px;
  padding: 4px 6px;
  font-size: 12.5px;
  white-space: normal;
}

.word,
.soft {
  margin-left: 8px;
}
</style>
