<script setup lang="ts">
import { computed } from 'vue'
import type { Found } from '@/api/client'
import { useDesk } from '@/desk/desk'

/**
 * What is wrong with a row, under it, with the way out: the part it is about, the topics of findings that the row says in its own
 * cells, and how many columns a sentence stands after and spans.
 */
const {
  part,
  said = [],
  after,
  columns,
} = defineProps<{ part: string; said?: Found['topic'][]; after: number; columns: number }>()

const desk = useDesk()

/** A finding about several parts is said at each of them. */
const found = computed(() => (desk.troubles.get(part) ?? []).filter((each) => !said.includes(each.topic)))
</script>

<template>
  <tr v-for="each in found" :key="each.key" class="trouble">
    <td :colspan="after"></td>
    <td :colspan="columns">
      <span class="flare" :title="each.why">{{ each.sentence }}</span>
      <button v-if="each.button" class="word" @click="desk.editGains(each.fix)">{{ each.button }}</button>
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
