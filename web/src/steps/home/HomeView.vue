<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type ListedRig, type ListedSession } from '@/api/client'
import { trying } from '@/desk/notice'
import FormRow from '@/parts/FormRow.vue'
import LanternLogo from '@/parts/LanternLogo.vue'
import ThemeSwitch from '@/parts/ThemeSwitch.vue'
import CopyList from './CopyList.vue'
import TemplateCards from './TemplateCards.vue'

/** The choice of a rig that is to be described yet. */
const ANOTHER = 'another rig'

const router = useRouter()
const sessions = ref<ListedSession[] | null>(null)
const rigs = ref<ListedRig[]>([])
const rig = ref('')
const rigName = ref('')
const name = ref('')
const song = ref('')

const choices = computed(() => [
  ...rigs.value.map((each) => ({ label: `${each.name}, ${many(each.devices, 'device')}`, value: each.id })),
  { label: 'another one, to be described', value: ANOTHER },
])

function load() {
  return trying(async () => {
    sessions.value = (await api.GET('/api/sessions')).data ?? []
    rigs.value = ((await api.GET('/api/rigs')).data ?? []).filter((each) => !each.unreadable)
    const chosen = rig.value === ANOTHER || rigs.value.some((each) => each.id === rig.value)
    if (!chosen) rig.value = rigs.value[0]?.id ?? ''
  })
}

onMounted(load)

function begin() {
  return trying(async () => {
    let rigId = rig.value
    if (rigId === ANOTHER) {
      const body = { name: rigName.value, document: null }
      rigId = (await api.POST('/api/rigs', { body })).data!.id
    }
    const made = (await api.POST('/api/sessions', { body: { name: name.value, song: song.value, rigId } })).data
    if (made) await router.push(`/sessions/${made.id}/${rig.value === ANOTHER ? 'rig' : 'input-list'}`)
  })
}

const readable = computed(() => sessions.value?.filter((each) => !each.unreadable))
const unreadable = computed(() => sessions.value?.filter((each) => each.unreadable))

const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
</script>

<template>
  <div class="home">
    <header>
      <LanternLogo />
      <h1>Vivid Lantern</h1>
      <span class="fill"></span>
      <ThemeSwitch />
    </header>
    <main>
      <h2>Sessions</h2>
      <p class="soft lead">
        Open a session to bring its inputs to tracks and to give every performer a headphone mix of their own.
      </p>
      <p v-if="sessions?.length === 0" class="soft">Nothing here yet. Name a session and its song, then create it.</p>
      <div class="cards">
        <div v-for="session in unreadable" :key="session.id" class="card">
          <h3>{{ session.name }}</h3>
          <span>This session cannot be read. Look inside a copy below and restore it from there.</span>
          <a :href="`/api/sessions/${session.id}/stored.txt`" target="_blank">Show what is stored, as text</a>
        </div>
        <RouterLink
          v-for="session in readable"
          :key="session.id"
          class="card"
          :class="{ lit: session.atTheRig }"
          :to="`/sessions/${session.id}/input-list`"
        >
          <h3>{{ session.name }}</h3>
          <span class="soft">{{ session.song || 'song without a name' }}</span>
          <span class="soft small">
            {{ many(session.inputs, 'input') }} · {{ many(session.tracks, 'track') }} · {{ many(session.cues, 'cue') }}
          </span>
          <strong v-if="session.atTheRig">At the rig now</strong>
        </RouterLink>
        <form class="card new" @submit.prevent="begin">
          <h3>New session</h3>
          <FormRow label="Name"><input v-model="name" class="field" required maxlength="400" /></FormRow>
          <FormRow label="Song"><input v-model="song" class="field" maxlength="400" /></FormRow>
          <FormRow label="Rig">
            <NSelect
              v-model:value="rig"
              size="small"
              :options="choices"
              :input-props="{ 'aria-label': 'Rig' }"
              aria-label="Rig"
            />
          </FormRow>
          <FormRow v-if="rig === ANOTHER" label="What the studio is called">
            <input v-model="rigName" class="field" maxlength="400" />
          </FormRow>
          <NButton
            attr-type="submit"
            type="primary"
            :disabled="!name.trim() || !rig || (rig === ANOTHER && !rigName.trim())"
            >Create session</NButton
          >
        </form>
      </div>
      <TemplateCards />
      <CopyList @restored="load" />
    </main>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 12px;
  height: 56px;
  padding: 0 24px;
  border-bottom: 1px solid var(--rule-strong);
}

header h1 {
  font-size: 21px;
}

.fill {
  flex: 1;
}

main {
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}

h2 {
  font-size: 23px;
}

.lead {
  margin: 4px 0 16px;
}

.card {
  display: flex;
  flex-direction: column;
  gap: 6px;
  color: var(--ink);
  text-decoration: none;
}

a.card:hover {
  border-color: var(--sea);
}

.card strong {
  color: var(--sea);
}

.lit {
  border-color: var(--lantern);
  box-shadow: 0 0 0 3px var(--glow-weak);
}

.small {
  font-size: 12.5px;
}

.new {
  background: var(--raised);
}
</style>
