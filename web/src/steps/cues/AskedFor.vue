<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Cue, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { inTurn } from '@/desk/inTurn'

/** What performers ask for between takes: more or less of themselves, and of the click, a step a press. */
const { cue } = defineProps<{ cue: Cue }>()

const STEP_DB = 2

const desk = useDesk()
const done = ref('')

const next = inTurn()

const isOn = (track: Track) => cue.sends.some((send) => send.trackId === track.id && send.level !== 'off')
const WHAT = computed(() => [
  { word: 'me', tracks: desk.tracks.filter((track) => isOn(track) && desk.standingOf(track.id).own.includes(cue.id)) },
  { word: 'click', tracks: desk.tracks.filter((track) => isOn(track) && track.role === 'click') },
])

/** Each press goes on from what the one before it left. */
const change = (tracks: Track[], by: number) =>
  next(async () => {
    const params = { path: { session: desk.session!.id } }
    const body = { sends: tracks.map((track) => ({ cue: cue.id, track: track.id })), db: by }
    let moved = 0
    const made = await desk.proposed(async () => {
      const answer = await api.POST('/api/sessions/{session}/cues/raise', { params, body })
      moved = answer.data!.db
      return answer
    })
    if (!made) return
    const names = tracks.map((track) => track.name).join(', ')
    done.value = `${names}: ${Number(Math.abs(moved).toFixed(1))} dB ${by > 0 ? 'louder' : 'quieter'}.`
  })
</script>

<template>
  <div>
    <span v-for="{ word, tracks } in WHAT" :key="word" class="pair">
      <span>{{ word }}</span>
      <button
        class="word"
        :disabled="!tracks.length"
        :aria-label="`less ${word}`"
        :title="`${STEP_DB} dB less ${word}`"
        @click="change(tracks, -STEP_DB)"
      >
        −
      </button>
      <button
        class="word"
        :disabled="!tracks.length"
        :aria-label="`more ${word}`"
        :title="`${STEP_DB} dB more ${word}`"
        @click="change(tracks, STEP_DB)"
      >
        +
      </button>
    </span>
    <span class="soft done" role="status">{{ done }}</span>
  </div>
</template>

<style scoped>
.pair {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  margin-right: 18px;
}

.done {
  display: block;
  font-size: 12px;
}
</style>
