<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Card, type FitOfRig, type FitLine, type FitSheet } from '@/api/client'
import { trying } from '@/desk/notice'
import { lastStep, showLike } from '@/desk/pageState'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import SelectRow from '@/parts/SelectRow.vue'
import { useBusy } from '@/parts/useBusy'
import { STEPS } from '@/steps/steps'
import FitTable from './FitTable.vue'
import { useLimits } from '@/desk/limits'

const limits = useLimits()

/** Begins a session from a template: what cannot stay where it was is shown line by line first, and changed by hand. */
const { card, fits, after } = defineProps<{
  card: Card
  fits: FitOfRig[]
  /** The session whose production it goes on with, as its next song. */
  after: { id: string; name: string } | null
}>()
const emit = defineEmits<{ close: [] }>()

const { busy, run } = useBusy()
const router = useRouter()
/** What shows a session is fetched while one still chooses. */
void import('@/steps/session/SessionFrame.vue')
STEPS.forEach((step) => void step.view())
const name = ref(after?.name ?? card.about.title)
const song = ref('')
const rig = ref((fits.find((each) => each.all) ?? fits[0])?.rig ?? '')
const sheet = ref<FitSheet | null>(null)
const ports = ref(new Map<string, string[]>())
const pairs = ref(new Map<string, string | null>())

const wanted = () => ({
  rigId: rig.value,
  ports: [...ports.value].map(([input, chosen]) => ({ input, ports: chosen })),
  pairs: [...pairs.value].map(([cue, pair]) => ({ cue, pair })),
})
const params = { path: { template: card.id } }

let asked = 0

/** Only the answer to the last question counts. */
async function look() {
  const mine = ++asked
  const answer = await api.POST('/api/templates/{template}/fit', { params, body: wanted() })
  if (mine === asked) sheet.value = answer.data ?? null
}

watch(
  rig,
  () => {
    ports.value = new Map()
    pairs.value = new Map()
    sheet.value = null
    if (rig.value) void trying(look)
  },
  { immediate: true },
)

/** The others find places around what is chosen. A choice that cannot be is told, and taken back. */
async function choose(line: FitLine, chosen: string[], pair: string | null) {
  const before = { ports: ports.value, pairs: pairs.value }
  if (line.input) ports.value = new Map([...ports.value, [line.input, chosen]])
  if (line.cue) pairs.value = new Map([...pairs.value, [line.cue, pair]])
  if (!(await trying(look))) {
    ports.value = before.ports
    pairs.value = before.pairs
  }
}

function begin() {
  return trying(async () => {
    const body = { name: name.value, song: song.value, fit: wanted(), after: after?.id ?? null }
    const begun = (await api.POST('/api/templates/{template}/sessions', { params, body })).data!
    showLike(begun.session, begun.page)
    await router.push(`/sessions/${begun.session}/${lastStep(begun.session)}`)
  })
}

const words = computed(() => fits.find((each) => each.rig === rig.value)?.words)
const moves = computed(() => (sheet.value?.lines.length ?? 0) > 0)
</script>

<template>
  <DialogCard
    :show="true"
    :title="`New session from ${card.about.title}`"
    :width="moves ? 860 : 460"
    @update:show="emit('close')"
  >
    <form class="form" @submit.prevent="run(begin)">
      <div class="names" :class="{ wide: moves }">
        <FormRow label="Name"><input v-model="name" class="field" required :maxlength="limits?.textLength" /></FormRow>
        <FormRow label="Song"><input v-model="song" class="field" :maxlength="limits?.textLength" /></FormRow>
        <SelectRow v-model="rig" label="Rig" :options="fits.map((each) => ({ label: each.name, value: each.rig }))" />
      </div>
      <template v-if="sheet && moves">
        <FitTable :sheet="sheet" @choose="choose" />
        <p v-for="proposal in sheet.proposals" :key="proposal" class="soft">{{ proposal }}</p>
        <p class="soft">What has no place stays in the session. Placing all of it is one change that can be undone.</p>
      </template>
      <p v-else class="soft">{{ words }}</p>
      <NButton attr-type="submit" type="primary" :loading="busy" :disabled="!name.trim() || !sheet"
        >Create session</NButton
      >
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

.names {
  display: grid;
  gap: 12px;
}

.names.wide {
  grid-template-columns: 1fr 1fr 1fr;
}

.names .field {
  width: 100%;
}
</style>
