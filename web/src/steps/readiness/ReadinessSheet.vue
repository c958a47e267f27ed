<script setup lang="ts">
import { NButton, NDrawer, NDrawerContent } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Found, type Proposal } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { proposing } from '@/desk/proposals'
import { useBusy } from '@/parts/useBusy'
import FoundArticle from './FoundArticle.vue'

/** What would go wrong if recording began now: a sentence each, why, and the way out. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const { busy, run } = useBusy()
const open = computed(() => desk.findings.filter((each) => !each.acknowledged))
const meant = computed(() => desk.findings.filter((each) => each.acknowledged))

/** How what the rig has lost can be found elsewhere. */
const anew = ref<Proposal | null>(null)
const lost = computed(() => shown.value && open.value.some((each) => each.topic === 'lost'))
watch(
  () => (lost.value ? desk.findings : null),
  async (findings) => {
    if (!findings) return (anew.value = null)
    const params = { path: { session: desk.session!.id } }
    const answer = await api.GET('/api/sessions/{session}/map-anew', { params }).catch(() => null)
    anew.value = answer?.data ?? null
  },
)

/** What is told together stands together, where the first of it does. One way out for all is one press. */
const groups = computed(() => {
  const all: { among: string; found: Found[] }[] = []
  for (const found of open.value) {
    const group = found.among && all.find((each) => each.among === found.among)
    if (group) group.found.push(found)
    else all.push({ among: found.among, found: [found] })
  }
  return all.map(({ among, found }) => ({ among, found, ...wayOut(found), turned: found.every((each) => each.turned) }))
})

/** The way out that all share, or all that have one, with one of them that has it. */
function wayOut(found: Found[]) {
  const ended = found.filter((each) => each.way)
  const way = new Set(ended.map((each) => each.way)).size === 1 ? ended[0]!.way : ''
  return { way: way && ended.length === found.length ? `${way}, all ${found.length}` : way, key: ended[0]?.key ?? '' }
}

/** The program makes each way out on what the ones before it left. */
const endAll = (key: string) =>
  run(() => {
    const params = { path: { session: desk.session!.id }, query: { key } }
    return proposing(desk.editGains)(() => api.GET('/api/sessions/{session}/readiness/together', { params }))
  })

/** Notes one after the other that each is set; what could not be noted stays. */
const noteAll = (group: Found[]) =>
  run(async () => {
    for (const each of group) if (!each.turned || !(await desk.noteTurned(each.turned))) return
  })

const opened = ref(new Set<string>())
function toggle(among: string) {
  const next = new Set(opened.value)
  if (!next.delete(among)) next.add(among)
  opened.value = next
}
</script>

<template>
  <NDrawer v-model:show="shown" :width="520" placement="right">
    <NDrawerContent title="Readiness" closable>
      <p v-if="!desk.judged" class="soft">Looking…</p>
      <p v-else-if="open.length === 0">Nothing would go wrong that this program knows of.</p>
      <article v-if="anew?.edits.length">
        <h3>The rig has changed under this session.</h3>
        <p v-for="line in anew.words" :key="line" class="soft">{{ line }}</p>
        <div class="way">
          <NButton size="small" type="primary" @click="desk.edit(anew.edits)">Find new ports for all</NButton>
        </div>
      </article>
      <template v-for="group in groups" :key="group.among || group.found[0]!.key">
        <article v-if="group.among">
          <h3>{{ group.among }}</h3>
          <div class="way">
            <NButton v-if="group.way" size="small" type="primary" :loading="busy" @click="endAll(group.key)">
              {{ group.way }}
            </NButton>
            <NButton v-if="group.turned" size="small" type="primary" :loading="busy" @click="noteAll(group.found)">
              All {{ group.found.length }} are set now
            </NButton>
            <button class="word" :aria-expanded="opened.has(group.among)" @click="toggle(group.among)">
              {{ opened.has(group.among) ? 'Fold them' : 'Show each' }}
            </button>
          </div>
        </article>
        <template v-if="!group.among || opened.has(group.among)">
          <FoundArticle v-for="found in group.found" :key="found.key" :found="found" :class="{ inside: group.among }" />
        </template>
      </template>
      <template v-if="meant.length">
        <h2>On purpose</h2>
        <article v-for="found in meant" :key="found.key">
          <h3>{{ found.sentence }}</h3>
          <p class="soft">{{ found.acknowledged }}</p>
          <button class="word" @click="desk.edit([{ kind: 'take-back-acknowledgement', key: found.key }])">
            Not on purpose any more
          </button>
        </article>
      </template>
    </NDrawerContent>
  </NDrawer>
</template>

<style scoped>
article {
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--rule);
}

h2 {
  margin-top: 18px;
  font-size: 17px;
}

h3 {
  font-family: var(--text);
  font-size: 14px;
  font-weight: 600;
}

p {
  margin: 3px 0 0;
}

.inside {
  padding-left: 16px;
}

.way {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>
