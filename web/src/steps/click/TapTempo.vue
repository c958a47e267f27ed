<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type FoundTempo, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { heardLate } from '@/desk/listening'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import SelectRow from '@/parts/SelectRow.vue'

/** Finds a tempo from taps: by itself, or along with a guide track, whose first beat becomes bar 1. */
const { guides } = defineProps<{ guides: Track[] }>()
const emit = defineEmits<{ close: [] }>()

const ALONE = ''
const FEWEST = 4

const desk = useDesk()
const along = ref(ALONE)
const taps = ref<number[]>([])
const found = ref<FoundTempo | null>(null)
const everyBar = ref(false)

const choices = computed(() => [
  { label: 'Nothing: the tempo alone', value: ALONE },
  ...guides.map((track) => ({ label: track.name, value: track.id })),
])

/** Where the song was told to be, and when that was; between two tellings it moves on evenly. */
const told = { seconds: 0, at: 0 }
watch(
  () => desk.place,
  (place) => Object.assign(told, { seconds: place?.seconds ?? 0, at: performance.now() }),
)
watch(along, again)
watch(everyBar, () => {
  found.value = null
  void look()
})

function again() {
  taps.value = []
  found.value = null
}

async function tap() {
  const now = performance.now()
  const seconds = along.value ? told.seconds + (now - told.at) / 1000 - heardLate() : now / 1000
  const last = taps.value.at(-1)
  if (last !== undefined && seconds <= last) return
  taps.value = [...taps.value, seconds]
  await look()
}

/** Only the answer to the last question counts. */
let asked = 0
async function look() {
  if (taps.value.length < FEWEST) return
  const mine = ++asked
  const body = { seconds: taps.value, track: along.value || null, everyBar: everyBar.value }
  const path = { session: desk.session!.id }
  await trying(async () => {
    const answer = await api.POST('/api/sessions/{session}/click/taps', { params: { path }, body })
    if (mine === asked) found.value = answer.data ?? null
  })
}

async function take() {
  if (await desk.edit(found.value!.edits)) emit('close')
}

async function play() {
  again()
  await desk.command(desk.live?.playing ? { kind: 'stop' } : { kind: 'play', bar: 1 })
}
</script>

<template>
  <DialogCard :show="true" title="Tap a tempo" :width="440" @update:show="emit('close')">
    <div class="form">
      <SelectRow v-model="along" label="Tap along with" :options="choices" />
      <p v-if="along" class="soft">
        Play the song and tap each beat from the first beat of a bar on. Bar 1 will lie there, and the guide with it.
      </p>
      <NButton v-if="along" :disabled="!desk.live" @click="play">
        {{ desk.live?.playing ? 'Stop the song' : 'Play the song from bar 1' }}
      </NButton>
      <button class="tap" @pointerdown="tap" @keydown.space.prevent="!$event.repeat && tap()">
        <strong>{{ found ? found.beatsPerMinute.toFixed(2) : 'Tap here' }}</strong>
        <span class="soft">
          {{
            found
              ? `± ${found.plusMinus.toFixed(2)}, ${taps.length} taps`
              : taps.length
                ? `${FEWEST - taps.length} more`
                : 'or press Space, beat by beat'
          }}
        </span>
      </button>
      <div v-if="along" class="joined" role="group" aria-label="What the tempo does">
        <button class="word" :aria-pressed="!everyBar" @click="everyBar = false">One tempo for the song</button>
        <button class="word" :aria-pressed="everyBar" @click="everyBar = true">A tempo for each bar</button>
      </div>
    </div>
    <template #footer>
      <div class="acts">
        <NButton :disabled="taps.length === 0" @click="again">Start again</NButton>
        <NButton type="primary" :disabled="!found" @click="take">
          {{ along ? 'Lay the song on it' : 'Set the tempo' }}
        </NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

.acts {
  display: flex;
  gap: 8px;
}

.tap {
  display: grid;
  justify-items: center;
  padding: 22px;
  border: 1px solid var(--sea);
  border-radius: 12px;
  background: var(--sea-weak);
  color: var(--ink);
  cursor: pointer;
  touch-action: none;
}

.tap strong {
  font-size: 34px;
}
</style>
