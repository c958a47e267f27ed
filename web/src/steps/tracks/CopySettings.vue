<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, type Edit, type OfferedSettings, type Track, type What } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import { proposing } from '@/desk/proposals'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import SelectRow from '@/parts/SelectRow.vue'
import { WHAT } from './links'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

/** Copies how a track is set to the selected ones, or uses a setting that is kept; and keeps how one is set. */
const { tracks } = defineProps<{ tracks: Track[] }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const { busy, run } = useBusy()
const limits = useLimits()
const path = { session: desk.session!.id }
const offered = ref<OfferedSettings>({ kept: [], tracks: [], left: [] })
const from = ref('')
const holds = ref<What[]>(['level', 'sends', 'hear'])
const title = ref('')

const load = () =>
  trying(async () => {
    const body = { tracks: tracks.map((track) => track.id) }
    offered.value = (await api.POST('/api/sessions/{session}/settings/offered', { params: { path }, body })).data!
  })
void load()

const named = (ids: string[]) => desk.tracks.filter((track) => ids.includes(track.id))
const sources = computed(() => [
  ...offered.value.kept.map((setting) => ({ label: `Setting ${setting.title}`, value: `setting/${setting.id}` })),
  ...named(offered.value.tracks).map((track) => ({ label: `Track ${track.name}`, value: `track/${track.id}` })),
])
const setting = computed(() => offered.value.kept.find((each) => `setting/${each.id}` === from.value))
const names = (ids: string[]) => named(ids).map((track) => track.name)
const to = computed(() =>
  tracks.map((track) => track.id).filter((id) => `track/${id}` !== from.value && !offered.value.left.includes(id)),
)
const words = (of: What[]) =>
  WHAT.filter(({ what }) => of.includes(what))
    .map((each) => each.words.toLowerCase())
    .join(', ')

/** What is selected is set, nothing else of its groups. */
async function copy() {
  const alone = proposing((edits: Edit[]) => desk.edit(edits, null, true))
  const done = await alone(() =>
    setting.value
      ? api.POST('/api/sessions/{session}/settings/{setting}', {
          params: { path: { ...path, setting: setting.value.id } },
          body: { tracks: to.value },
        })
      : api.POST('/api/sessions/{session}/tracks/copy-settings', {
          params: { path },
          body: { from: from.value.slice('track/'.length), to: to.value, holds: holds.value },
        }),
  )
  if (done) emit('close')
}

function keep() {
  return trying(async () => {
    const body = { title: title.value, track: tracks[0]!.id, holds: holds.value }
    await api.POST('/api/sessions/{session}/settings', { params: { path }, body })
    tell(`"${title.value.trim()}" is kept, and offered here from now on.`)
    title.value = ''
    await load()
  })
}

async function remove() {
  const params = { path: { setting: setting.value!.id } }
  if (await trying(() => api.DELETE('/api/settings/{setting}', { params }))) {
    from.value = ''
    await load()
  }
}
</script>

<template>
  <DialogCard :show="true" title="Copy settings" :width="480" @update:show="emit('close')">
    <form class="form" @submit.prevent="run(copy)">
      <p v-if="to.length" class="soft">To {{ names(to).join(', ') }}</p>
      <SelectRow v-model="from" label="From" filterable :options="sources" />
      <p v-if="offered.left.length" class="soft">Guides take no settings: {{ names(offered.left).join(', ') }}.</p>
      <p v-if="setting" class="soft">
        It holds {{ words(setting.holds) }}.
        <button type="button" class="word" @click="remove">Remove this setting</button>
      </p>
      <fieldset v-else>
        <legend class="soft">What is copied</legend>
        <label v-for="each in WHAT" :key="each.what">
          <input v-model="holds" type="checkbox" :value="each.what" /> {{ each.words }}
        </label>
      </fieldset>
      <NButton
        attr-type="submit"
        type="primary"
        :loading="busy"
        :disabled="!from || (!setting && !holds.length) || !to.length"
      >
        Copy to {{ to.length }} {{ to.length === 1 ? 'track' : 'tracks' }}
      </NButton>
    </form>
    <form class="keep" @submit.prevent="keep">
      <FormRow :label="`Or keep how ${tracks[0]!.name} is set, under a name`">
        <input v-model="title" class="field" :maxlength="limits?.textLength" />
      </FormRow>
      <NButton attr-type="submit" size="small" :disabled="!title.trim() || holds.length === 0">Keep setting</NButton>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  margin: 0;
  padding: 8px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
}

.keep {
  display: flex;
  align-items: flex-end;
  gap: 8px;
  margin-top: 18px;
  padding-top: 14px;
  border-top: 1px solid var(--rule);
}

.keep :first-child {
  flex: 1;
}
</style>
