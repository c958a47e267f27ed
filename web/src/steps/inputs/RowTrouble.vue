<script setup lang="ts">
import { computed } from 'vue'
import type { Found, Input } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** What is wrong with a row of the list, under it, with the way out. */
const { input, columns } = defineProps<{ input: Input; columns: number }>()

const desk = useDesk()

/** A finding about several inputs is said at each of them. */
const found = computed(() =>
  desk.findings.filter((each) => !each.acknowledged && each.about.includes(`input/${input.id}`)),
)

/** The row's own name need not be said again. */
function words(each: Found) {
  const own = `Input ${input.number}, ${input.source}, `
  return each.sentence.startsWith(own) ? each.sentence.slice(own.length) : each.sentence
}
</script>

<template>
  <tr v-for="each in found" :key="each.key" class="trouble">
    <td colspan="2"></td>
    <td :colspan="columns + 1">
      <span class="flare" :title="each.why">{{ words(each) }}</span>
      <button v-if="each.button" class="word" @click="desk.edit(each.fix)">{{ each.button }}</button>
      <span v-else class="soft">{{ each.byHand }}</span>
    </td>
  </tr>
</template>

<style scoped>
.trouble td {
  height: 26px;
  font-size: 12.5px;
}

.word {
  margin-left: 8px;
}
</style>
