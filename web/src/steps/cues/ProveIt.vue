<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'

/** Renders the cue as it is and with the whole main mix moved, and says whether they are the same bit for bit. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const busy = ref(false)
const found = ref<{ words: string; same: boolean } | null>(null)

watch(
  () => cue,
  () => (found.value = null),
)

let broken = false

function breakOff() {
  broken = true
  return api.DELETE('/api/sessions/{session}/mixes/{cue}/proof', at())
}

const at = () => ({ params: { path: { session: desk.session!.id, cue: cue.id } } })

async function prove() {
  busy.value = true
  broken = false
  const of = cue
  await trying(async () => {
    const answer = api.GET('/api/sessions/{session}/mixes/{cue}/proof', at())
    const data = (await answer.catch((failed) => (broken ? null : Promise.reject(failed))))?.data
    if (data && of === cue) found.value = { words: data.words, same: data.proof.same }
  }).finally(() => (busy.value = false))
}
</script>

<template>
  <div>
    <NButton
      size="small"
      block
      :disabled="!cue.output || busy"
      :loading="busy"
      title="Whether anything the control room does reaches these headphones: rendered twice and compared"
      @click="prove"
      >{{ busy ? 'Rendering twice' : 'Prove it is independent' }}</NButton
    >
    <button v-if="busy" class="word" @click="breakOff">Cancel</button>
    <p v-if="found" role="status" :class="found.same ? 'soft' : 'flare'">{{ found.words }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0 0;
  font-size: 12.5px;
}
</style>
