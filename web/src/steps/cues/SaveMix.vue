<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import NumberBox from '@/parts/NumberBox.vue'

/** Renders what leaves this cue's output pair from the start of the song on, and saves it as a WAV. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const seconds = ref(10)
const bits = ref('24')
const done = ref<number | null>(null)
let stop: AbortController | undefined

const address = computed(
  () => `/api/sessions/${desk.session!.id}/mixes/${cue.id}.wav?from=0&seconds=${seconds.value}&bits=${bits.value}`,
)

async function save() {
  stop = new AbortController()
  done.value = 0
  await trying(async () => {
    const answer = await fetch(address.value, { signal: stop!.signal })
    if (!answer.ok || !answer.body) return tell(((await answer.json()) as { detail: string }).detail)
    const all = Number(answer.headers.get('Content-Length'))
    const pieces: Uint8Array<ArrayBuffer>[] = []
    let taken = 0
    for (const reader = answer.body.getReader(); ;) {
      const piece = await reader.read()
      if (piece.done) break
      pieces.push(piece.value)
      taken += piece.value.length
      done.value = taken / all
    }
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob(pieces, { type: 'audio/wav' }))
    link.download = `${desk.session!.name}, ${cue.name}.wav`
    link.click()
    URL.revokeObjectURL(link.href)
  }).finally(() => (done.value = null))
}
</script>

<template>
  <div class="save">
    <span class="line">
      <label>
        Seconds
        <NumberBox
          label="Seconds to save"
          :value="seconds"
          :range="{ from: 1, to: 3600 }"
          :set="(wanted) => (seconds = wanted)"
        />
      </label>
      <label>
        Bits
        <select v-model="bits" class="field" aria-label="Bits of the WAV">
          <option value="16">16</option>
          <option value="24">24</option>
          <option value="32f">32 float</option>
        </select>
      </label>
    </span>
    <NButton v-if="done === null" size="small" block :disabled="!cue.output" @click="save">Save as WAV</NButton>
    <NButton v-else size="small" block @click="stop?.abort()">{{ Math.round(100 * done) }} % rendered; cancel</NButton>
  </div>
</template>

<style scoped>
.save {
  display: flex;
  flex-direction: column;
  gap: 6px;
}

.line {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}

label {
  color: var(--soft);
  font-size: 12.5px;
}
</style>
