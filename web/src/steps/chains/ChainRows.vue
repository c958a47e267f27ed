<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import type { Track } from '@/api/client'
import ChainLine from './ChainLine.vue'
import ChainPanel from './ChainPanel.vue'

/** What stands under a track's row: its chains as words and, if they are open, all of them. */
const { track, open, after, columns } = defineProps<{ track: Track; open: boolean; after: number; columns: number }>()
const emit = defineEmits<{ toggle: []; height: [pixels: number] }>()

const opened = ref<HTMLElement>()
const sizes = new ResizeObserver(() => opened.value && emit('height', opened.value.offsetHeight))
watch(opened, (now, before) => {
  if (before) sizes.unobserve(before)
  if (now) sizes.observe(now)
})
onBeforeUnmount(() => sizes.disconnect())
</script>

<template>
  <tr class="chain">
    <td :colspan="after"></td>
    <td :colspan="columns"><ChainLine :track="track" :open="open" @toggle="emit('toggle')" /></td>
  </tr>
  <tr v-if="open" ref="opened" class="opened">
    <td :colspan="after + columns"><ChainPanel :track="track" /></td>
  </tr>
</template>

<style scoped>
.chain td {
  height: 26px;
  padding: 0 6px 4px;
  border-top: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}

.opened td {
  padding: 0 12px 0 32px;
  background: var(--raised);
}
</style>
