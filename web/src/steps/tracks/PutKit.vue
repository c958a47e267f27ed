<script setup lang="ts">
import { NButton, NCheckbox, NSelect } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, Problem, type KitCard, type KitDocument, type PlacedKit } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import CardPicture from '@/parts/CardPicture.vue'
import DialogCard from '@/parts/DialogCard.vue'
import FileChooser from '@/parts/FileChooser.vue'
import { useBusy } from '@/parts/useBusy'

/** Puts a kit into the session: where its inputs go is shown first, and which cues hear it is asked where nobody can tell. */
const emit = defineEmits<{ close: [] }>()

/** The choice of no cue. */
const NONE = ''

const desk = useDesk()
const { busy, run } = useBusy()
const kits = ref<KitCard[] | null>(null)
const chosen = ref<KitCard | null>(null)
const placed = ref<PlacedKit | null>(null)
const answers = ref(new Map<string, string>())
/** Whether performers who are not here are added with it. */
const performers = ref(true)
watch(performers, () => chosen.value && look(chosen.value))

const load = () => trying(async () => (kits.value = (await api.GET('/api/kits')).data ?? []))
void load()

const body = () => ({
  performers: performers.value,
  cues: [...answers.value].map(([cue, into]) => ({ cue, into: into || null })),
})
const at = (kit: KitCard) => ({ params: { path: { session: desk.session!.id, kit: kit.id } } })

function look(kit: KitCard) {
  return trying(async () => {
    const answer = await api.POST('/api/sessions/{session}/kits/{kit}/preview', { ...at(kit), body: body() })
    placed.value = answer.data!
    chosen.value = kit
  })
}

function choose(kit: KitCard) {
  answers.value = new Map()
  return look(kit)
}

function answer(cue: string, into: string) {
  answers.value = new Map([...answers.value, [cue, into]])
  return look(chosen.value!)
}

async function put() {
  const kit = chosen.value!
  const done = await trying(() => api.POST('/api/sessions/{session}/kits/{kit}', { ...at(kit), body: body() }))
  if (done) emit('close')
}

async function remove(kit: KitCard) {
  await trying(() => api.DELETE('/api/kits/{kit}', { params: { path: { kit: kit.id } } }))
  await load()
}

/** Puts a kit from a document among the others. */
function takeIn(file: File) {
  return trying(async () => {
    const text = await file.text()
    let body: KitDocument
    try {
      body = JSON.parse(text) as KitDocument
    } catch {
      throw new Problem('This file is no kit; it holds no JSON.')
    }
    await api.POST('/api/kits/import', { body })
    await load()
  })
}

const cueChoices = () => [
  { label: 'no cue', value: NONE },
  ...desk.cues.map((cue) => ({ label: cue.name, value: cue.id })),
]
</script>

<template>
  <DialogCard
    :show="true"
    :title="chosen ? `Add ${chosen.about.title}` : 'Add a kit'"
    :width="620"
    @update:show="emit('close')"
  >
    <template v-if="!chosen">
      <p v-if="kits?.length === 0" class="soft">
        None yet. Select tracks, here or in another session, and press Keep as kit.
      </p>
      <p class="doing">
        <FileChooser
          label="A kit that was saved as a file"
          accept=".json,application/json"
          button="From a file"
          @chosen="takeIn"
        />
      </p>
      <ul>
        <li v-for="kit in kits" :key="kit.id">
          <CardPicture :picture="kit.about.picture" class="picture" />
          <div class="about">
            <strong>{{ kit.about.title }}</strong>
            <span class="soft">{{ kit.words }}{{ kit.about.description ? `. ${kit.about.description}` : '' }}</span>
          </div>
          <NButton size="small" type="primary" :aria-label="`Choose ${kit.about.title}`" @click="choose(kit)">
            Choose
          </NButton>
          <a class="word" :href="`/api/kits/${kit.id}/document.json`" download>Save as a file</a>
          <button class="word" :aria-label="`Remove ${kit.about.title}`" @click="remove(kit)">Remove</button>
        </li>
      </ul>
    </template>
    <template v-else-if="placed">
      <div class="sheet lines" tabindex="0" role="region" aria-label="Inputs of the kit">
        <table aria-label="Where the inputs go">
          <thead>
            <tr>
              <th>Input</th>
              <th>Was at</th>
              <th>Goes to</th>
              <th>Because</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in placed.lines" :key="`${line.input ?? ''} ${line.cue ?? ''}`">
              <td>{{ line.name }}</td>
              <td class="soft">{{ line.from || 'nowhere yet' }}</td>
              <td :class="{ flare: !line.to }">{{ line.to || 'no place' }}</td>
              <td class="soft">{{ line.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-for="cue in placed.cues" :key="cue.cue" class="cue">
        <span>
          {{ cue.listeners.join(', ') || cue.name }} heard it.
          <span :class="cue.into ? 'soft' : 'flare'">{{
            cue.into ? 'The sends go to' : 'No cue here is theirs; the sends go to'
          }}</span>
        </span>
        <NSelect
          size="tiny"
          class="into"
          :value="cue.into ?? NONE"
          :options="cueChoices()"
          :input-props="{ 'aria-label': `Where the sends to ${cue.name} go` }"
          :aria-label="`Where the sends to ${cue.name} go`"
          @update:value="(into: string) => answer(cue.cue, into)"
        />
      </div>
      <p v-if="placed.missing.length">
        <NCheckbox v-model:checked="performers">
          Add {{ placed.missing.join(', ') }}, who {{ placed.missing.length === 1 ? 'is' : 'are' }} not in this session
        </NCheckbox>
      </p>
      <p v-for="sentence in [...placed.words, ...placed.proposals]" :key="sentence" class="soft">{{ sentence }}</p>
      <p class="doing">
        <NButton @click="chosen = null">Back</NButton>
        <NButton type="primary" :loading="busy" @click="run(put)">Add</NButton>
      </p>
    </template>
  </DialogCard>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  max-height: 56vh;
  overflow: auto;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 0;
}

.picture {
  color: var(--lantern);
}

.about {
  display: flex;
  flex-direction: column;
  flex: 1;
}

a.word {
  text-decoration: none;
}

.lines {
  max-height: 36vh;
  margin-bottom: 12px;
}

.lines td {
  white-space: normal;
}

.cue {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 0;
}

.into {
  width: 180px;
}

.doing {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
