<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type ListedSnapshot } from '@/api/client'
import { moment } from '@/desk/written'
import { useDesk } from '@/desk/desk'
import { paced } from '@/desk/paced'
import { trying } from '@/desk/notice'
import SnapshotCompare from './SnapshotCompare.vue'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

/** Named states to go back to; the program takes some by itself, before large changes. */
const desk = useDesk()
const { busy, run } = useBusy()
const limits = useLimits()
const snapshots = ref<ListedSnapshot[]>([])
const name = ref('')
const compared = ref<ListedSnapshot | null>(null)

const path = () => ({ session: desk.session!.id })

async function load() {
  snapshots.value = (await api.GET('/api/sessions/{session}/snapshots', { params: { path: path() } })).data ?? []
}

watch(
  () => [desk.session?.id, desk.session?.revision],
  paced(async () => desk.session && (await trying(load))),
  { immediate: true },
)

function take() {
  return trying(async () => {
    await api.POST('/api/sessions/{session}/snapshots', { params: { path: path() }, body: { name: name.value } })
    name.value = ''
    await load()
  })
}

function remove(snapshot: ListedSnapshot) {
  return trying(async () => {
    const params = { path: { ...path(), snapshot: snapshot.id } }
    await api.DELETE('/api/sessions/{session}/snapshots/{snapshot}', { params })
    await load()
  })
}

const when = (snapshot: ListedSnapshot) => moment(snapshot.madeAt)
</script>

<template>
  <section aria-label="Snapshots">
    <h2>Snapshots</h2>
    <form @submit.prevent="run(take)">
      <input
        v-model="name"
        class="field"
        :maxlength="limits?.textLength"
        aria-label="Name of the snapshot"
        placeholder="name of this state"
      />
      <NButton attr-type="submit" size="small" type="primary" :loading="busy" :disabled="!name.trim()"
        >Take snapshot</NButton
      >
    </form>
    <p v-if="snapshots.length === 0" class="soft">
      None yet. Take one before you try something; the way back is always there. Before large changes the program takes
      one by itself.
    </p>
    <ul>
      <li v-for="snapshot in snapshots" :key="snapshot.id">
        <div class="name">
          <strong :class="{ itself: snapshot.byItself }">{{ snapshot.name }}</strong>
          <span class="soft">{{ when(snapshot) }}{{ snapshot.byItself ? ', taken by itself' : '' }}</span>
        </div>
        <button class="word" :aria-label="`Compare ${snapshot.name} with now`" @click="compared = snapshot">
          Compare with now
        </button>
        <button class="word" :aria-label="`Remove ${snapshot.name}`" @click="remove(snapshot)">Remove</button>
      </li>
    </ul>
    <SnapshotCompare v-if="compared" :snapshot="compared" @close="compared = null" />
  </section>
</template>

<style scoped>
h2 {
  font-size: 18px;
}

form {
  display: flex;
  gap: 8px;
  margin: 8px 0;
}

.field {
  flex: 1;
  min-width: 0;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}

li .word {
  flex: none;
}

.name {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-width: 0;
}

.name .soft {
  font-size: 12px;
}

.itself {
  font-weight: 500;
}
</style>
