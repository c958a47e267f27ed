<script setup lang="ts">
import { Cable, Drum, Guitar, House, Mic, MicVocal, Piano, Wind } from '@lucide/vue'
import { computed, type Component } from 'vue'
import type { Track } from '@/api/client'

/** A track's colour and mark: what the eye finds it by. */
const { look } = defineProps<{ look: Track['look'] }>()

const ICONS: Record<Track['look']['mark'], Component> = {
  none: Cable,
  mic: Mic,
  voice: MicVocal,
  strings: Guitar,
  keys: Piano,
  drum: Drum,
  wind: Wind,
  room: House,
}
const title = computed(() => [look.colour, look.mark].filter((each) => each !== 'none').join(', '))
</script>

<template>
  <span v-if="title" class="found" :title="title">
    <span v-if="look.colour !== 'none'" class="stripe" :style="{ background: `var(--${look.colour})` }"></span>
    <component :is="ICONS[look.mark]" v-if="look.mark !== 'none'" :size="14" aria-hidden="true" />
  </span>
</template>

<style scoped>
.found {
  display: inline-flex;
  flex: none;
  align-items: center;
  gap: 5px;
  margin-right: 6px;
  vertical-align: -2px;
  color: var(--soft);
}

.stripe {
  width: 5px;
  height: 16px;
  border-radius: 2px;
}
</style>
