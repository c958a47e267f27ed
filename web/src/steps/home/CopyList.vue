<script setup lang="ts">
import { NButton, NModal } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Contents, type ListedCopy, type Session } from '@/api/client'
import { tell, trying } from '@/desk/notice'
import { ask } from '@/desk/question'
import { size, moment } from '@/desk/written'
import DialogCard from '@/parts/DialogCard.vue'

/** Copies of everything, and the ways back to them. */
const emit = defineEmits<{ restored: [] }>()

const ASK_AGAIN_MS = 500
/** So long it may take; then something is wrong. */
const LONGEST_MS = 120_000

const router = useRouter()
const copies = ref<ListedCopy[]>([])
const copying = ref(false)
const lookedInto = ref<ListedCopy | null>(null)
const contents = ref<Contents | null>(null)
const session = ref<Session | null>(null)
/** The copy that is being put in place, from asking for it until the program answers again. */
const beginningAnew = ref('')

async function load() {
  copies.value = (await api.GET('/api/copies')).data ?? []
}

onMounted(() => trying(load))

async function copyNow() {
  copying.value = true
  await trying(() => api.POST('/api/copies'))
  await trying(load)
  copying.value = false
}

function look(copy: ListedCopy) {
  lookedInto.value = copy
  contents.value = null
  session.value = null
  return trying(async () => {
    const answer = await api.GET('/api/copies/{copy}', { params: { path: { copy: copy.name } } })
    contents.value = answer.data ?? null
  }).then((worked) => {
    if (!worked) lookedInto.value = null
  })
}

const inCopy = (id: string) => ({ params: { path: { copy: lookedInto.value!.name, session: id } } })

function show(id: string) {
  return trying(async () => {
    session.value = (await api.GET('/api/copies/{copy}/sessions/{session}', inCopy(id))).data ?? null
  })
}

function takeOut(id: string) {
  return trying(async () => {
    const made = (await api.POST('/api/copies/{copy}/sessions/{session}', inCopy(id))).data
    if (made) await router.push(`/sessions/${made.id}/input-list`)
  })
}

async function restore(copy: ListedCopy) {
  const sentence =
    `All sessions and rigs go back to ${time(copy.madeAt)}. Their present state is kept here as a copy. ` +
    'The sound stops for a few seconds.'
  if (!(await ask({ title: 'Restore this copy?', sentence, yes: 'Restore' }))) return
  beginningAnew.value = time(copy.madeAt)
  const begun = await trying(() => api.POST('/api/copies/{copy}/restore', { params: { path: { copy: copy.name } } }))
  if (begun) await answersAgain()
  beginningAnew.value = ''
  await trying(load)
  emit('restored')
}

/** The program goes away for some seconds; first it does not answer, then it does. */
async function answersAgain() {
  let gone = false
  const latest = Date.now() + LONGEST_MS
  while (Date.now() < latest) {
    const answers = await fetch('/api/copies')
      .then((answer) => answer.ok)
      .catch(() => false)
    if (gone && answers) return
    gone ||= !answers
    await new Promise((done) => setTimeout(done, ASK_AGAIN_MS))
  }
  tell('The program does not answer. Start it again; what is stored is not touched by that.')
}

const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

const time = (local: string) => moment(local, { seconds: true })

function holds(copy: ListedCopy) {
  if (copy.replaced) return 'what stood here before a copy took its place'
  if (!copy.contents) return 'look into it to see'
  const names = copy.contents.sessions.map((each) => each.name)
  const first = names.slice(0, 3).join(', ')
  return `${many(names.length, 'session')}: ${first}${names.length > 3 ? ` and ${names.length - 3} more` : ''}`
}
</script>

<template>
  <section class="kept">
    <h2>Copies</h2>
    <p class="soft lead">
      Everything is copied every ten minutes while something changes; the last ten copies stay.
      <NButton size="small" :loading="copying" @click="copyNow">Copy now</NButton>
    </p>
    <p v-if="copies.length === 0" class="soft">There is no copy yet.</p>
    <table v-else>
      <thead>
        <tr>
          <th>Made</th>
          <th>Contains</th>
          <th class="right">Size</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="copy in copies" :key="copy.name">
          <td>{{ time(copy.madeAt) }}</td>
          <td>{{ holds(copy) }}</td>
          <td class="right">{{ size(copy.bytes) }}</td>
          <td class="right">
            <button class="word" @click="look(copy)">Look inside</button>
            <button class="word" @click="restore(copy)">Restore</button>
          </td>
        </tr>
      </tbody>
    </table>

    <NModal :show="beginningAnew !== ''" preset="card" :closable="false" :style="{ width: '420px' }">
      <p role="status">Restoring {{ beginningAnew }}. The program restarts; this takes a few seconds.</p>
    </NModal>

    <DialogCard
      :show="lookedInto !== null"
      :title="lookedInto ? `The copy of ${time(lookedInto.madeAt)}` : ''"
      :width="640"
      @update:show="lookedInto = null"
    >
      <p v-if="!contents" class="soft" role="status">Opening it; this takes a few seconds.</p>
      <ul v-else>
        <li v-for="each in contents.sessions" :key="each.id">
          <div class="line">
            <strong>{{ each.name }}</strong>
            <span class="soft">{{ each.song || 'song without a name' }}</span>
            <span class="fill"></span>
            <button class="word" @click="show(each.id)">Show</button>
            <button class="word" @click="takeOut(each.id)">Restore as a new session</button>
          </div>
          <dl v-if="session?.id === each.id">
            <dt>Inputs</dt>
            <dd>{{ session.inputs.map((input) => `${input.number} ${input.source}`).join(', ') || 'none' }}</dd>
            <dt>Tracks</dt>
            <dd>{{ session.tracks.map((track) => track.name).join(', ') || 'none' }}</dd>
            <dt>Cues</dt>
            <dd>{{ session.cues.map((cue) => cue.name).join(', ') || 'none' }}</dd>
          </dl>
        </li>
      </ul>
      <p v-if="contents?.sessions.length === 0" class="soft">It contains no session.</p>
    </DialogCard>
  </section>
</template>

<style scoped>
section {
  margin-top: 34px;
}

ul {
  margin: 0;
  padding: 0;
  max-height: 60vh;
  overflow: auto;
  list-style: none;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 5px 0;
}

.fill {
  flex: 1;
}

dl {
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: 4px 10px;
  margin: 4px 0 14px;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0;
}
</style>
