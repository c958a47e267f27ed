<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Cue, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** What performers ask for between takes: more or less of themselves, and of the click, a step a press. */
const { cue } = defineProps<{ cue: Cue }>()

const STEP_DB = 2

const desk = useDesk()
const done = ref('')

const inCue = (track: Track) => cue.sends.some((send) => send.trackId === track.id)
const WHAT = computed(() => [
  { word: 'me', tracks: desk.tracks.filter((track) => inCue(track) && desk.standingOf(track.id).own.includes(cue.id)) },
  { word: 'click', tracks: desk.tracks.filter((track) => inCue(track) && track.role === 'click') },
])

async function change(tracks: Track[], by: number) {
  const params = { path: { session: desk.session!.id } }
  const body = { sends: tracks.map((track) => ({ cue: cue.id, track: track.id })), db: by }
  const made = await desk.proposed(() => api.POST('/api/sessions/{session}/cues/raise', { params, body }))
  if (made)
    done.value = `${tracks.map((track) => track.name).join(', ')}: ${STEP_DB} dB ${by > 0 ? 'louder' : 'quieter'}.`
}
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
