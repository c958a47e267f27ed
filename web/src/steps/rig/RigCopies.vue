<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Difference, type KeptCopy } from '@/api/client'
import { moment } from '@/desk/written'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import DialogCard from '@/parts/DialogCard.vue'
import FileChooser from '@/parts/FileChooser.vue'

/** Copies kept of the rig, and documents to and from elsewhere; each says what it would change before it does. */
const shown = defineModel<boolean>('shown', { required: true })

const store = useRig()
const copies = ref<KeptCopy[]>([])
const name = ref('')
const looked = ref('')
const difference = ref<Difference | null>(null)
const chooser = ref<InstanceType<typeof FileChooser>>()

const document = computed(() => `/api/rigs/${store.rig!.id}/document.json`)

async function list() {
  copies.value = (await api.GET('/api/rigs/{rig}/copies', store.at)).data ?? []
}

watch(shown, (now) => {
  if (!now) return
  difference.value = null
  name.value = ''
  void trying(list)
})

function keep() {
  return trying(async () => {
    await api.POST('/api/rigs/{rig}/copies', { ...store.at, body: { name: name.value } })
    name.value = ''
    await list()
  })
}

function compare(copy: KeptCopy) {
  return trying(async () => {
    const params = { path: { rig: store.rig!.id, number: copy.number } }
    difference.value = (await api.GET('/api/rigs/{rig}/copies/{number}/difference', { params })).data!
    looked.value = copy.name
  })
}

function takeIn(file: File) {
  void trying(async () => {
    let body
    try {
      body = JSON.parse(await file.text())
    } catch {
      throw new Error(`${file.name} is not JSON. A rig's document is what "Save as a document" writes.`)
    }
    difference.value = (await api.POST('/api/rigs/{rig}/document/preview', { ...store.at, body })).data!
    looked.value = file.name
  })
}

async function accept() {
  if (await store.edit(difference.value!.edits)) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Copies of this rig" :width="640">
    <template v-if="difference">
      <p v-if="difference.changes.length === 0" class="soft">{{ looked }} is the same as the rig now.</p>
      <template v-else>
        <p>With {{ looked }}:</p>
        <ul class="changes">
          <li v-for="change in difference.changes" :key="change">{{ change }}</li>
        </ul>
      </template>
      <div class="way">
        <NButton @click="difference = null">Cancel</NButton>
        <NButton v-if="difference.changes.length" type="primary" @click="accept">Apply these changes</NButton>
      </div>
    </template>
    <template v-else>
      <form class="way" @submit.prevent="keep">
        <label
          >Keep a copy of the rig as it is now, named <input v-model="name" class="field" aria-label="Name of the copy"
        /></label>
        <NButton attr-type="submit" type="primary" :disabled="!name.trim()">Keep a copy</NButton>
      </form>
      <p v-if="copies.length === 0" class="soft">No copies yet. One is kept by itself before each large change.</p>
      <ul class="copies">
        <li v-for="copy in copies" :key="copy.number">
          <span
            ><strong>{{ copy.name }}</strong> <span class="soft">{{ moment(copy.madeAt) }}</span></span
          >
          <button class="word" @click="compare(copy)">What would change</button>
        </li>
      </ul>
      <div class="way">
        <NButton tag="a" :href="document" download>Save as a document</NButton>
        <NButton @click="chooser?.choose()">Load a document</NButton>
        <FileChooser ref="chooser" label="Rig document to load" accept=".json,application/json" @chosen="takeIn" />
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
.way {
  display: flex;
  align-items: end;
  gap: 10px;
  margin: 10px 0;
}

.copies {
  max-height: 260px;
  overflow: auto;
  padding: 0;
  list-style: none;
}

.copies li {
  display: flex;
  justify-content: space-between;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}

.changes {
  max-height: 340px;
  overflow: auto;
}
</style>
