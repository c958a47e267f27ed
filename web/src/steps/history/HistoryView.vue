<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type LogLine } from '@/api/client'
import { moment } from '@/desk/written'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import { person } from '@/desk/person'
import SnapshotList from './SnapshotList.vue'
import SoundIncidents from './SoundIncidents.vue'

/** Who changed what and when, newest first, with the way back to any of it; and the snapshots. */
const desk = useDesk()
const lines = ref<LogLine[]>([])
/** Whether there are lines beyond those shown, and beyond those that always stay. */
const more = ref(false)
const many = ref(false)
const word = ref('')
/** Whose lines are shown; "" for everybody's. */
const by = ref('')
const part = ref('')

const PAGE = 50
const KEPT_LINES = 10_000

const parts = computed(() => [
  { label: 'Everything', value: '' },
  { label: 'Any input', value: 'input' },
  { label: 'Any track', value: 'track' },
  { label: 'Any cue', value: 'cue' },
  { label: 'Any send', value: 'send' },
  ...desk.inputs.map((input) => ({ label: `Input ${input.source}`, value: `input/${input.id}` })),
  ...desk.tracks.map((track) => ({ label: `Track ${track.name}`, value: `track/${track.id}` })),
  ...desk.cues.map((cue) => ({ label: `Cue ${cue.name}`, value: `cue/${cue.id}` })),
  ...desk.cues.map((cue) => ({ label: `Sends to ${cue.name}`, value: `send/${cue.id}` })),
])

const filtered = computed(() => Boolean(word.value || by.value || part.value))

async function page(number: number, all = false): Promise<LogLine[]> {
  const wanted = all ? {} : { word: word.value, by: by.value, part: part.value }
  const params = { path: { session: desk.session!.id }, query: { page: number, size: PAGE, ...wanted } }
  return (await api.GET('/api/sessions/{session}/log', { params })).data ?? []
}

async function load() {
  lines.value = await page(0)
  more.value = lines.value.length === PAGE
  many.value = (await page(KEPT_LINES / PAGE, true)).length > 0
}

async function showMore() {
  const next = await page(lines.value.length / PAGE)
  lines.value = [...lines.value, ...next]
  more.value = next.length === PAGE
}

/** Asked for again a moment after the last change or the last letter. */
let asking = 0
watch(
  () => [desk.session?.id, desk.session?.revision, word.value, by.value, part.value],
  () => {
    clearTimeout(asking)
    asking = window.setTimeout(() => desk.session && void trying(load), 150)
  },
  { immediate: true },
)

function goBack(line: number) {
  const params = { path: { session: desk.session!.id, line } }
  return trying(() => api.POST('/api/sessions/{session}/log/{line}/go-back', { params }))
}

function undo(line: LogLine) {
  const params = { path: { session: desk.session!.id }, query: { line: line.number } }
  return trying(() => api.POST('/api/sessions/{session}/undo', { params }))
}

function fold() {
  return trying(async () => {
    await api.POST('/api/sessions/{session}/log/fold', { params: { path: { session: desk.session!.id } } })
    await load()
  })
}

const when = (line: LogLine) => moment(line.at, { seconds: true })
/** People are told apart by the random ids of their browsers, until they have names. */
const who = (id: string) => (id === person ? 'you' : `another browser${id ? ` (${id.slice(0, 4)})` : ''}`)
const seen = ref(new Set<string>())
watch(lines, (now) => (seen.value = new Set([...seen.value, ...now.map((line) => line.person)])))
const people = computed(() => [
  { label: 'By anybody', value: '' },
  ...[...seen.value].filter(Boolean).map((id) => ({ label: `By ${who(id)}`, value: id })),
])
</script>

<template>
  <section class="step">
    <header>
      <h1>History</h1>
      <span class="soft">What was changed, newest first. Going back is a change too, and can be undone.</span>
    </header>
    <div class="both">
      <div class="log">
        <div class="search">
          <input v-model="word" class="field" type="search" aria-label="Search the log" placeholder="Search the log" />
          <NSelect
            v-model:value="part"
            class="part"
            size="small"
            filterable
            :options="parts"
            :input-props="{ 'aria-label': 'Changes of' }"
            aria-label="Changes of"
          />
          <NSelect
            v-model:value="by"
            class="by"
            size="small"
            :options="people"
            :input-props="{ 'aria-label': 'Changes by' }"
            aria-label="Changes by"
          />
        </div>
        <div class="sheet" tabindex="0" role="region" aria-label="Log">
          <table aria-label="Log">
            <thead>
              <tr>
                <th class="number">Line</th>
                <th>When</th>
                <th>Who</th>
                <th>What</th>
                <td></td>
              </tr>
            </thead>
            <tbody>
              <tr v-for="line in lines" :key="line.number">
                <td class="number soft">{{ line.number }}</td>
                <td class="soft">{{ when(line) }}</td>
                <td class="soft">{{ who(line.person) }}</td>
                <td class="what" :class="{ undone: line.state === 'undone' || line.state === 'forgone' }">
                  {{ line.summary }}
                </td>
                <td class="ways">
                  <button
                    v-if="line.change && line.state === 'stands'"
                    class="word"
                    title="Takes back this change alone; everything since stays"
                    :aria-label="`Undo line ${line.number}`"
                    @click="undo(line)"
                  >
                    Undo
                  </button>
                  <button
                    v-if="line.state !== 'folded' && line.number !== lines[0]!.number"
                    class="word"
                    title="All is as it was right after this change"
                    :aria-label="`Go back to line ${line.number}`"
                    @click="goBack(line.number)"
                  >
                    Go back to here
                  </button>
                </td>
              </tr>
              <tr v-if="lines.length && !more && !filtered && lines[lines.length - 1]!.state !== 'folded'">
                <td></td>
                <td class="soft" colspan="3">As the session began</td>
                <td class="ways">
                  <button class="word" @click="goBack(0)">Go back to here</button>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="lines.length === 0" class="soft none">
            {{ filtered ? 'No line matches.' : 'Nothing was changed yet.' }}
          </p>
          <p v-if="more" class="none"><NButton size="small" @click="trying(showMore)">Show more</NButton></p>
        </div>
        <p v-if="many" class="soft">
          More than {{ KEPT_LINES.toLocaleString('en-GB') }} lines make the session slow to open.
          <button class="word" @click="fold">Merge older lines into one</button>
          What they did stays but can no longer be undone.
        </p>
      </div>
      <div class="beside">
        <SnapshotList />
        <SoundIncidents />
      </div>
    </div>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 24px;
  flex: 1;
  min-height: 0;
}

.log,
.beside {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}

.beside {
  overflow: auto;
}

.search {
  display: flex;
  align-items: center;
  gap: 12px;
}

.search .field {
  flex: 1;
}

.part {
  width: 200px;
}

.by {
  width: 190px;
}

.what {
  width: 100%;
  white-space: normal !important;
}

.undone {
  color: var(--soft);
  text-decoration: line-through;
}

.ways {
  text-align: right;
}

.ways .word + .word {
  margin-left: 6px;
}

.none {
  padding: 0 12px;
}

@media (max-width: 1100px) {
  .both {
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 14px;
  }
}
</style>
