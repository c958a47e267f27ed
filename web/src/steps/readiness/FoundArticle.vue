<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { Found } from '@/api/client'
import { useDesk } from '@/desk/desk'
import WhatThen from './WhatThen.vue'

/** What would go wrong, why, and the way out; or a word on why it is on purpose. */
const { found } = defineProps<{ found: Found }>()

const desk = useDesk()
const saying = ref(false)
const reason = ref('')

function say() {
  saying.value = true
  reason.value = ''
}

async function acknowledge() {
  if (await desk.edit([{ kind: 'acknowledge', key: found.key, reason: reason.value }])) saying.value = false
}
</script>

<template>
  <article>
    <h3>{{ found.sentence }}</h3>
    <p class="soft">{{ found.why }}</p>
    <p v-if="found.byHand">{{ found.byHand }}</p>
    <WhatThen v-if="found.button" :found="found.key" />
    <div class="way">
      <NButton v-if="found.button" size="small" type="primary" @click="desk.editGains(found.fix)">{{
        found.button
      }}</NButton>
      <NButton v-if="found.turned" size="small" type="primary" @click="desk.noteTurned(found.turned)">
        It is set now
      </NButton>
      <form v-if="saying" @submit.prevent="acknowledge">
        <input v-model="reason" class="field" aria-label="Why it is on purpose" placeholder="why" />
        <NButton size="small" attr-type="submit" :disabled="!reason.trim()">On purpose</NButton>
      </form>
      <button v-else class="word" @click="say">This is on purpose</button>
    </div>
  </article>
</template>

<style scoped>
article {
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--rule);
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
