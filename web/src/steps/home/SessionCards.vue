<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onMounted, ref, watch } from 'vue'
import { api, type ListedRig, type ListedSession } from '@/api/client'
import { trying } from '@/desk/notice'
import { day } from '@/desk/written'
import PerformerMark from '@/parts/PerformerMark.vue'
import CardMenu from './CardMenu.vue'
import ImportSession from './ImportSession.vue'

/** The sessions, the one used last first, found by name, song or performer. */
const emit = defineEmits<{ template: []; removed: [] }>()

const PAGE = 30

const sessions = ref<ListedSession[] | null>(null)
const rigs = ref<ListedRig[]>([])
const search = ref('')
const more = ref(false)
const importing = ref(false)

async function page(number: number): Promise<ListedSession[]> {
  const query = { page: number, size: PAGE, search: search.value }
  return (await api.GET('/api/sessions', { params: { query } })).data ?? []
}

function load() {
  return trying(async () => {
    sessions.value = await page(0)
    more.value = sessions.value.length === PAGE
    rigs.value = (await api.GET('/api/rigs')).data ?? []
  })
}

async function showMore() {
  const next = await page(sessions.value!.length / PAGE)
  sessions.value = [...sessions.value!, ...next]
  more.value = next.length === PAGE
}

onMounted(load)
let asking = 0
watch(search, () => {
  clearTimeout(asking)
  asking = window.setTimeout(load, 150)
})
defineExpose({ load })

function taken() {
  importing.value = false
  emit('template')
}

const at = (session: ListedSession) => ({ params: { path: { session: session.id } } })

async function rename(session: ListedSession, name: string) {
  const edit = { kind: 'set-session-names' as const, name, song: session.song }
  const body = { edits: [edit], basedOn: null, gesture: null, alone: null }
  await api.POST('/api/sessions/{session}/edits', { ...at(session), body })
  await load()
}

async function duplicate(session: ListedSession) {
  await api.POST('/api/sessions/{session}/duplicate', at(session))
  await load()
}

async function remove(session: ListedSession) {
  await api.DELETE('/api/sessions/{session}', at(session))
  await load()
  emit('removed')
}

const readable = computed(() => sessions.value?.filter((each) => !each.unreadable))
const unreadable = computed(() => sessions.value?.filter((each) => each.unreadable))

const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
const rigName = (session: ListedSession) => rigs.value.find((each) => each.id === session.rig)?.name ?? session.rig

function used(session: ListedSession) {
  if (!session.usedAt) return ''
  const at = new Date(session.usedAt)
  const today = at.toDateString() === new Date().toDateString()
  return today ? `today ${at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}` : day(session.usedAt)
}
</script>

<template>
  <section aria-labelledby="sessions">
    <div class="head">
      <h2 id="sessions">Sessions</h2>
      <input
        v-model="search"
        class="field"
        type="search"
        aria-label="Search sessions"
        placeholder="Search name, song, performer"
      />
      <NButton size="small" @click="importing = true">Import</NButton>
    </div>
    <p v-if="sessions?.length === 0 && search" class="soft">No session matches.</p>
    <div v-else-if="sessions?.length === 0" class="card">
      <h3>Nothing here yet</h3>
      <p>
        Name a session at the right and create it: it begins empty, and you fill in its input list. Or press New session
        at a template: it brings inputs, tracks and headphone mixes, and finds a port for each.
      </p>
    </div>
    <div v-for="session in unreadable" :key="session.id" class="card">
      <h3>{{ session.name }}</h3>
      <span>This session cannot be read. Look inside a copy below and restore it from there.</span>
      <a :href="`/api/sessions/${session.id}/stored.txt`" target="_blank">Show what is stored, as text</a>
    </div>
    <div v-for="session in readable" :key="session.id" class="card one" :class="{ at: session.atTheRig }">
      <RouterLink class="open" :to="`/sessions/${session.id}`">
        <span class="line">
          <h3>{{ session.name }}</h3>
          <em>{{ session.song || 'song without a name' }}</em>
          <span class="fill"></span>
          <strong v-if="session.atTheRig">At the rig now</strong>
          <span v-else class="soft">{{ used(session) }}</span>
        </span>
        <span class="line">
          <span class="soft">
            {{ rigName(session) }} · {{ many(session.inputs, 'input') }} · {{ many(session.tracks, 'track') }} ·
            {{ many(session.cues, 'cue') }}
          </span>
          <span class="fill"></span>
          <PerformerMark
            v-for="performer in session.performers.slice(0, 12)"
            :key="performer.id"
            :performer="performer"
            :of="session.performers"
          />
        </span>
      </RouterLink>
      <CardMenu
        :name="session.name"
        :rename="(name) => rename(session, name)"
        :duplicate="() => duplicate(session)"
        :remove="() => remove(session)"
      />
    </div>
    <NButton v-if="more" size="small" @click="trying(showMore)">Show more</NButton>
    <ImportSession v-if="importing" @close="importing = false" @template="taken" />
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: 10px;
}

.head {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-bottom: 2px;
}

h2 {
  flex: 1;
  font-size: 23px;
}

.head .field {
  width: 230px;
}

.card {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 12px 16px;
  color: var(--ink);
  text-decoration: none;
}

.card p {
  margin: 0;
}

.one {
  flex-direction: row;
  align-items: flex-start;
  gap: 12px;
}

.open {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  color: var(--ink);
  text-decoration: none;
}

.one:hover {
  border-color: var(--sea);
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line em {
  color: var(--soft);
  font-family: var(--title);
  font-size: 15px;
}

.line strong {
  color: var(--sea);
}

.fill {
  flex: 1;
}

.at {
  border-color: var(--lantern);
  box-shadow: 0 0 0 3px var(--glow-weak);
}
</style>
