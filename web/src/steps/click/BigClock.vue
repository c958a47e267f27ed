<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { beatsBefore, countAt, partAt } from '@/desk/bars'

/** Where the song is, to be read across the room. */
const { song } = defineProps<{ song: SongOutline }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const closer = ref<HTMLButtonElement>()
onMounted(() => closer.value?.focus())

const count = computed(() => desk.place && countAt(song, desk.place))
/** The beats that are left of a count-in before bar 1. */
const countIn = computed(() => {
  const place = desk.place
  return place && place.bar < 1 ? beatsBefore(song, place) : null
})
const part = computed(() => desk.place && partAt(song, desk.place))
const time = computed(() => {
  const seconds = desk.place?.seconds ?? 0
  const tenths = Math.floor(Math.abs(seconds) * 10) / 10
  const minutes = Math.floor(tenths / 60)
  return `${seconds < 0 ? '−' : ''}${minutes}:${(tenths - 60 * minutes).toFixed(1).padStart(4, '0')}`
})
</script>

<template>
  <div class="all" role="dialog" aria-label="Big clock" @keydown.esc.stop="emit('close')">
    <button ref="closer" class="word close" @click="emit('close')">Close</button>
    <template v-if="desk.place">
      <p v-if="countIn" class="bar">{{ countIn.left }}</p>
      <p v-else class="bar">
        {{ desk.place.bar }}<span class="beat">{{ Math.floor(desk.place.beat) }}</span>
      </p>
      <p v-if="count" class="count">{{ count.count }} of {{ count.of }}</p>
      <p class="part">
        <template v-if="countIn">
          count-in<span v-if="countIn.part" class="soft">, then {{ countIn.part }}</span>
        </template>
        <template v-else-if="part">
          {{ part.name }}
          <span class="soft">
            {{ part.left }} {{ part.left === 1 ? 'bar' : 'bars' }} left{{ part.then ? `, then ${part.then}` : '' }}
          </span>
        </template>
      </p>
      <p class="time soft">{{ time }} · {{ desk.place.beatsPerMinute.toFixed(0) }}</p>
    </template>
    <p v-else class="part soft">The song is not at the rig.</p>
  </div>
</template>

<style scoped>
.all {
  position: fixed;
  inset: 0;
  z-index: 20;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  background: var(--ground);
}

p {
  margin: 0;
}

.close {
  position: absolute;
  top: 20px;
  right: 24px;
  padding: 6px 14px;
  font-size: 15px;
}

.bar {
  font-size: min(36vw, 52vh);
  font-weight: 650;
  line-height: 1;
}

.beat {
  margin-left: 0.22em;
  color: var(--lantern);
  font-size: 0.62em;
}

.count {
  font-size: 5vh;
}

.part {
  font-size: 5vh;
}

.part .soft {
  margin-left: 0.6em;
}

.time {
  margin-top: 2vh;
  font-size: 4vh;
}
</style>
