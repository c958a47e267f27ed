<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useTask } from '@/desk/task'
import TaskBar from '@/parts/TaskBar.vue'

/** Renders the cue as it is and with the whole main mix moved, and says whether they are the same bit for bit. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const { share, beginAbout, cancel } = useTask()
const found = ref<{ words: string; same: boolean } | null>(null)

watch(
  () => cue,
  () => (found.value = null),
)

async function prove() {
  const path = { session: desk.session!.id, cue: cue.id }
  const answer = await beginAbout(
    () => cue,
    (task) => api.GET('/api/sessions/{session}/mixes/{cue}/proof', { params: { path, query: { task } } }),
  )
  if (answer?.data) found.value = { words: answer.data.words, same: answer.data.proof.same }
}
</script>

<template>
  <div>
    <NButton
      size="small"
      block
      :disabled="!cue.output || share !== null"
      title="Whether anything the control room does reaches these headphones: rendered twice and compared"
      @click="prove"
      >{{ share === null ? 'Prove it is independent' : 'Rendering twice' }}</NButton
    >
    <TaskBar v-if="share !== null" :share="share" label="How much is rendered" @cancel="cancel" />
    <p v-if="found" role="status" :class="found.same ? 'soft' : 'flare'">{{ found.words }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0 0;
  font-size: 12.5px;
}
</style>
