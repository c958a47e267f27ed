<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { BundleContents, Session } from '@/api/client'
import { trying } from '@/desk/notice'
import { useSending } from '@/desk/sending'
import DialogCard from '@/parts/DialogCard.vue'
import FileChooser from '@/parts/FileChooser.vue'
import FileOnItsWay from '@/parts/FileOnItsWay.vue'
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
const { going, send, cancel } = useSending()
onBeforeUnmount(cancel)

const bundle = <Answer,>(path: string) => send<Answer>(path, 'application/zip', file.value!)

/** A template's document is put on the shelf at once; a bundle is looked into first. */
async function look(chosen: File) {
  file.value = chosen
  contents.value = null
  fault.value = ''
  working.value = true
  try {
    if (chosen.name.endsWith('.json')) {
      if (await send('/api/templates/import', 'application/json', chosen)) emit('template')
    } else {
      contents.value = (await bundle<BundleContents>('/api/sessions/import/preview')) ?? null
      rig.value = contents.value?.sameRig ?? OWN
    }
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
    const made = await bundle<Session>(`/api/sessions/import?rig=${encodeURIComponent(rig.value)}`)
    if (made) await router.push(`/sessions/${made.id}/input-list`)
  })
  working.value = false
}
</script>

<template>
  <DialogCard :show="true" title="Import" :width="480" @update:show="emit('close')">
    <form class="form" @submit.prevent="takeIn">
      <p>A session saved as a bundle (ZIP), or a template saved as a file (JSON).</p>
      <p v-if="!going" class="line">
        <FileChooser
          label="A bundle or a template"
          accept=".zip,.json,application/zip,application/json"
          :button="file ? 'Another file' : 'Choose a file'"
          @chosen="look"
        />
        <span class="soft">{{ file?.name }}</span>
      </p>
      <FileOnItsWay v-if="going" :going="going" @cancel="cancel" />
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
