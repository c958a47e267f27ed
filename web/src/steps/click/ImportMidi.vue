<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { SongPreview } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { person } from '@/desk/person'
import DialogCard from '@/parts/DialogCard.vue'
import DifferenceTable from '@/parts/DifferenceTable.vue'
import FileChooser from '@/parts/FileChooser.vue'
import { useBusy } from '@/parts/useBusy'

/** Tempos, time signatures and parts from a MIDI file: what they would change is shown before anything does. */
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const { busy, run } = useBusy()
const preview = ref<SongPreview | null>(null)
const fault = ref('')

async function look(file: File) {
  preview.value = null
  fault.value = ''
  if (!file) return
  const headers = { 'Content-Type': 'audio/midi', 'Lantern-Person': person }
  const path = `/api/sessions/${desk.session!.id}/click/preview`
  const answer = await fetch(path, { method: 'POST', headers, body: file }).catch(() => null)
  if (!answer) return void (fault.value = 'The program does not answer. Try again when it is back.')
  const told = (await answer.json()) as SongPreview & { detail?: string }
  if (answer.ok) preview.value = told
  else fault.value = told.detail ?? `The program answered ${answer.status}.`
}

async function take() {
  if (await desk.edit(preview.value!.edits)) emit('close')
}
</script>

<template>
  <DialogCard :show="true" title="Import a song from MIDI" :width="720" @update:show="emit('close')">
    <div class="form">
      <p>
        <FileChooser
          label="A Standard MIDI File with tempos, time signatures and markers"
          accept=".mid,.midi,audio/midi"
          button="Choose a MIDI file"
          @chosen="look"
        />
        <span class="soft"> with tempos, time signatures and markers</span>
      </p>
      <p v-if="fault" class="flare" role="alert">{{ fault }}</p>
      <template v-if="preview">
        <p v-for="note in preview.notes" :key="note" class="soft">{{ note }}</p>
        <p v-if="preview.lines.length === 0">It is the song as it stands here; nothing would change.</p>
        <DifferenceTable v-else :lines="preview.lines" first="Now" second="From the file" label="What would change" />
      </template>
    </div>
    <template #footer>
      <NButton type="primary" :disabled="!preview || preview.lines.length === 0" :loading="busy" @click="run(take)"
        >Take it in</NButton
      >
    </template>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
