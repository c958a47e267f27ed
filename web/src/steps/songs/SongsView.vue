<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Card, type FitOfRig, type ListedSong } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { paced } from '@/desk/paced'
import { trying } from '@/desk/notice'
import { lastStep, pageState, showLike } from '@/desk/pageState'
import FormRow from '@/parts/FormRow.vue'
import TypedField from '@/parts/TypedField.vue'
import BeginFrom from '@/steps/home/BeginFrom.vue'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

/** The songs of this production in their order, and the next one. */
const desk = useDesk()
const { busy, run } = useBusy()
const limits = useLimits()
const router = useRouter()
const songs = ref<ListedSong[]>([])
const name = ref('')
const tempo = ref('')
const dragged = ref('')

const path = () => ({ path: { session: desk.session!.id } })

async function load() {
  songs.value = (await api.GET('/api/sessions/{session}/songs', { params: path() })).data ?? []
}

watch(
  () => [desk.session?.id, desk.session?.revision],
  paced(async () => desk.session && (await trying(load))),
  { immediate: true },
)

/** Puts a song in front of another one, or at the end. */
async function place(session: string, before: string | null) {
  if (session === before) return
  const params = { path: { session } }
  await trying(() => api.POST('/api/sessions/{session}/songs/move', { params, body: { before } }))
  await trying(load)
}

function move(at: number, by: number) {
  const song = songs.value[at]!
  if (by < 0 && at > 0) return place(song.session, songs.value[at - 1]!.session)
  if (by > 0 && at < songs.value.length - 1) return place(song.session, songs.value[at + 2]?.session ?? null)
}

/** Each song's key and notes belong to its own session. */
function describe(song: ListedSong, key: string, notes: string) {
  if (key === song.key && notes === song.notes) return
  const params = { path: { session: song.session } }
  const body = { edits: [{ kind: 'describe-song' as const, key, notes }], gesture: null, basedOn: null, alone: true }
  return trying(async () => {
    await api.POST('/api/sessions/{session}/edits', { params, body })
    await load()
  })
}

function next() {
  return trying(async () => {
    const typed = String(tempo.value).trim()
    const body = { song: name.value, beatsPerMinute: typed === '' ? null : Number(typed) }
    const page = pageState(desk.session!.id)
    const made = (await api.POST('/api/sessions/{session}/songs', { params: path(), body })).data!
    showLike(made.id, page)
    name.value = ''
    tempo.value = ''
    await router.push(`/sessions/${made.id}/${lastStep(made.id)}`)
  })
}

const cards = ref<Card[]>([])
const chosen = ref<Card | null>(null)
const fits = ref<FitOfRig[]>([])
const templates = computed(() => cards.value.map((card) => ({ label: card.about.title, value: card.id })))
void trying(async () => (cards.value = (await api.GET('/api/templates')).data ?? []))

/** The next song begins from a template instead. */
function fromTemplate(id: string) {
  return trying(async () => {
    fits.value = (await api.GET('/api/templates/{template}/fits', { params: { path: { template: id } } })).data ?? []
    chosen.value = cards.value.find((card) => card.id === id) ?? null
  })
}
</script>

<template>
  <section class="step">
    <header>
      <h1>Song list</h1>
      <span class="soft">The songs of {{ desk.session!.name }}. The mix goes on from song to song.</span>
      <span class="fill"></span>
      <NButton tag="a" size="small" :href="`/api/sessions/${desk.session!.id}/input-list.pdf`" download>
        Print all sheets
      </NButton>
    </header>
    <div class="sheet" tabindex="0" role="region" aria-label="Songs">
      <table aria-label="Songs">
        <thead>
          <tr>
            <th class="number">#</th>
            <th>Song</th>
            <th class="number">Tempo</th>
            <th style="width: 110px">Key</th>
            <th>Notes</th>
            <th><span class="hidden">Order</span></th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(song, at) in songs"
            :key="song.session"
            :class="{ here: song.here }"
            draggable="true"
            @dragstart="dragged = song.session"
            @dragover.prevent
            @drop.prevent="place(dragged, song.session)"
          >
            <td class="number soft">{{ at + 1 }}</td>
            <td>
              <strong>{{ song.song || 'song without a name' }}</strong>
              <span v-if="song.atTheRig" class="lit"> at the rig now</span>
            </td>
            <td class="number">{{ song.beatsPerMinute }}</td>
            <td>
              <TypedField
                :text="song.key"
                :longest="20"
                :label="`Key of ${song.song}`"
                :set="(key) => describe(song, key, song.notes)"
              />
            </td>
            <td>
              <TypedField
                class="wide"
                :text="song.notes"
                :longest="400"
                :label="`Notes on ${song.song}`"
                :set="(notes) => describe(song, song.key, notes)"
              />
            </td>
            <td class="order">
              <button
                class="word"
                :disabled="at === 0"
                :aria-label="`Move ${song.song} up`"
                title="Move up"
                @click="move(at, -1)"
              >
                ↑
              </button>
              <button
                class="word"
                :disabled="at === songs.length - 1"
                :aria-label="`Move ${song.song} down`"
                title="Move down"
                @click="move(at, 1)"
              >
                ↓
              </button>
            </td>
            <td>
              <span v-if="song.here" class="soft">open here</span>
              <RouterLink v-else :to="`/sessions/${song.session}`" :aria-label="`Open ${song.song}`">Open</RouterLink>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <form class="next" aria-label="Next song" @submit.prevent="run(next)">
      <FormRow label="Next song"
        ><input v-model="name" class="field" required :maxlength="limits?.textLength"
      /></FormRow>
      <FormRow label="Tempo, beats a minute">
        <input v-model="tempo" class="field tempo" inputmode="decimal" placeholder="as this one" />
      </FormRow>
      <NButton attr-type="submit" type="primary" :loading="busy" :disabled="!name.trim()"
        >Go on to the next song</NButton
      >
      <NSelect
        class="from"
        size="small"
        value=""
        :options="[{ label: 'Or from a template', value: '' }, ...templates]"
        :input-props="{ 'aria-label': 'Next song from a template' }"
        aria-label="Next song from a template"
        @update:value="fromTemplate"
      />
      <span class="soft">
        It begins with everything as it is now{{ desk.live ? ', and takes the rig' : '' }}.
        {{ desk.session!.song || 'This song' }} stays as it is.
      </span>
    </form>
    <BeginFrom
      v-if="chosen"
      :card="chosen"
      :fits="fits"
      :after="{ id: desk.session!.id, name: desk.session!.name }"
      @close="chosen = null"
    />
  </section>
</template>

<style scoped>
.here td {
  background: var(--glow-weak);
}

.wide {
  width: 100%;
}

td .field {
  width: 100%;
}

.order .word + .word {
  margin-left: 4px;
}

.next {
  display: flex;
  align-items: flex-end;
  gap: 14px;
}

.from {
  width: 190px;
}

.tempo {
  width: 140px;
}

.next .soft:last-child {
  flex: 1;
}
</style>
