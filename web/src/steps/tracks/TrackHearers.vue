<script setup lang="ts">
import { NPopover } from 'naive-ui'
import { computed } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import PerformerMark from '@/parts/PerformerMark.vue'
import { MOST_MARKS } from './marks'

/** Who hears a track: a mark each, or how many where there are too many for the row, which then opens. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
const ids = computed(() => desk.standingOf(track.id).hearers)
const all = computed(() => desk.performers.map((performer) => ({ performer, hears: ids.value.includes(performer.id) })))
</script>

<template>
  <span v-if="desk.performers.length <= MOST_MARKS" class="marks">
    <PerformerMark
      v-for="each in all"
      :key="each.performer.id"
      :performer="each.performer"
      :of="desk.performers"
      :quiet="!each.hears"
    />
  </span>
  <NPopover v-else trigger="click" placement="left">
    <template #trigger>
      <button class="word" :aria-label="`Who hears ${track.name}`">
        {{ ids.length === desk.performers.length ? 'all' : ids.length || 'nobody' }}
        <span class="soft">of {{ desk.performers.length }}</span>
      </button>
    </template>
    <div v-for="each in all" :key="each.performer.id" class="line" :class="{ soft: !each.hears }">
      <PerformerMark :performer="each.performer" :of="desk.performers" :quiet="!each.hears" />
      {{ each.performer.name }}{{ each.hears ? '' : ', not' }}
    </div>
  </NPopover>
</template>

<style scoped>
.marks .mark {
  width: 22px;
  height: 22px;
  margin-right: -1px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 2px 0;
}
</style>
