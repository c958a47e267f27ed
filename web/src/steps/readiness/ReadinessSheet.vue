<script setup lang="ts">
import { NButton, NDrawer, NDrawerContent } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Found, type Proposal } from '@/api/client'
import { useDesk } from '@/desk/desk'
import WhatThen from './WhatThen.vue'

/** What would go wrong if recording began now: a sentence each, why, and the way out. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const saying = ref('')
const reason = ref('')

const open = computed(() => desk.findings.filter((each) => !each.acknowledged))
const meant = computed(() => desk.findings.filter((each) => each.acknowledged))

/** How what the rig has lost can be found elsewhere. */
const anew = ref<Proposal | null>(null)
const lost = computed(() => shown.value && open.value.some((each) => each.key.startsWith('lost-')))
watch(
  () => (lost.value ? desk.findings : null),
  async (findings) => {
    if (!findings) return (anew.value = null)
    const params = { path: { session: desk.session!.id } }
    const answer = await api.GET('/api/sessions/{session}/map-anew', { params }).catch(() => null)
    anew.value = answer?.data ?? null
  },
)

function say(found: Found) {
  saying.value = found.key
  reason.value = ''
}

async function acknowledge(found: Found) {
  if (await desk.edit([{ kind: 'acknowledge', key: found.key, reason: reason.value }])) saying.value = ''
}
</script>

<template>
  <NDrawer v-model:show="shown" :width="520" placement="right">
    <NDrawerContent title="Readiness" closable>
      <p v-if="open.length === 0">Nothing would go wrong that this program knows of.</p>
      <article v-if="anew?.edits.length">
        <h3>The rig has changed under this session.</h3>
        <p v-for="line in anew.words" :key="line" class="soft">{{ line }}</p>
        <div class="way">
          <NButton size="small" type="primary" @click="desk.edit(anew.edits)">Find new ports for all</NButton>
        </div>
      </article>
      <article v-for="found in open" :key="found.key">
        <h3>{{ found.sentence }}</h3>
        <p class="soft">{{ found.why }}</p>
        <p v-if="found.byHand">{{ found.byHand }}</p>
        <WhatThen v-if="found.button" :found="found.key" />
        <div class="way">
          <NButton v-if="found.button" size="small" type="primary" @click="desk.edit(found.fix)">{{
            found.button
          }}</NButton>
          <NButton v-if="found.turned" size="small" type="primary" @click="desk.noteTurned(found.turned)">
            It is set now
          </NButton>
          <form v-if="saying === found.key" @submit.prevent="acknowledge(found)">
            <input v-model="reason" class="field" aria-label="Why it is on purpose" placeholder="why" />
            <NButton size="small" attr-type="submit" :disabled="!reason.trim()">On purpose</NButton>
          </form>
          <button v-else class="word" @click="say(found)">This is on purpose</button>
        </div>
      </article>
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

.way,
form {
  display: flex;
  align-items: center;
  gap: 8px;
}

.way {
  margin-top: 8px;
}
</style>
