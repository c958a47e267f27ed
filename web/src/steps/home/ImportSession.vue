<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { Problem, type BundleContents, type Session } from '@/api/client'
import { trying } from '@/desk/notice'
import { person } from '@/desk/person'
import DialogCard from '@/parts/DialogCard.vue'
import FileChooser from '@/parts/FileChooser.vue'
import SelectRow from '@/parts/SelectRow.vue'

/** Takes in a session that was saved as a bundle: looked into first, then placed on a rig; or a template that was saved as a file. */
const emit = defineEmits<{ close: []; template: [] }>()

/** The choice of the bundle's own rig, as a new one. */
const OWN = 'own'

const router = useRouter()
const file = ref<File | null>(null)
const contents = ref<BundleContents | null>(null)
const fault = ref('')
const rig = ref('')
const working = ref(false)

async function send<Answer>(path: string, type = 'application/zip'): Promise<Answer> {
  const headers = { 'Content-Type': type, 'Lantern-Person': person }
  const answer = await fetch(path, { method: 'POST', headers, body: file.value }).catch(() => {
    throw new Problem('The program does not answer. Try again when it is back.')
  })
  const told = (await answer.json()) as Answer & { detail?: string }
  if (!answer.ok) throw new Problem(told.detail ?? `The program answered ${answer.status}.`)
  return told
}

/** A template's document is put on the shelf at once; a bundle is looked into first. */
async function look(chosen: File) {
  file.value = chosen
  contents.value = null
  fault.value = ''
  working.value = true
  try {
    if (chosen.name.endsWith('.json')) {
      await send('/api/templates/import', 'application/json')
      emit('template')
      return
    }
    const found = await send<BundleContents>('/api/sessions/import/preview')
    contents.value = found
    rig.value = found.sameRig ?? OWN
  } catch (failed) {
    fault.value = failed instanceof Error ? failed.message : String(failed)
  }
  working.value = false
}

const choices = computed(() => {
  const found = contents.value!
  const own = { label: `${found.rigName}, from the bundle, as a new rig`, value: OWN }
  const here = found.fits.map((fit) => ({
    label: fit.rig === found.sameRig ? `${fit.name}, the same rig` : fit.name,
    value: fit.rig,
  }))
  return found.sameRig ? [...here, own] : [own, ...here]
})
const words = computed(() => {
  const fit = contents.value?.fits.find((each) => each.rig === rig.value)
  if (!fit) return 'Everything stays plugged as it was, on a copy of its rig.'
  return fit.rig === contents.value!.sameRig ? 'Everything stays as it was.' : `Fits ${fit.words}.`
})

async function takeIn() {
  working.value = true
  await trying(async () => {
    const made = await send<Session>(`/api/sessions/import?rig=${encodeURIComponent(rig.value)}`)
    await router.push(`/sessions/${made.id}/input-list`)
  })
  working.value = false
}
</script>

<template>
  <DialogCard :show="true" title="Import" :width="480" @update:show="emit('close')">
    <form class="form" @submit.prevent="takeIn">
      <p>A session saved as a bundle (ZIP), or a template saved as a file (JSON).</p>
      <p class="line">
        <FileChooser
          label="A bundle or a template"
          accept=".zip,.json,application/zip,application/json"
          :button="file ? 'Another file' : 'Choose a file'"
          @chosen="look"
        />
        <span class="soft">{{ file?.name }}</span>
      </p>
      <p v-if="working" class="soft" role="status">Reading it.</p>
      <p v-if="fault" class="flare" role="alert">{{ fault }}</p>
      <template v-if="contents">
        <p>
          <strong>{{ contents.name }}</strong> <em>{{ contents.song }}</em><br />
          <span class="soft">{{ contents.needs }}</span>
        </p>
        <SelectRow v-model="rig" label="Rig" :options="choices" />
        <p class="soft">{{ words }}</p>
        <NButton attr-type="submit" type="primary" :loading="working" :disabled="!rig">Import session</NButton>
      </template>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

.line {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
