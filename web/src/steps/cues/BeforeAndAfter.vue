<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useTask } from '@/desk/task'
import TaskBar from '@/parts/TaskBar.vue'

/** How loud and how high the cue is without its filters and its compressor, and with them. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const { share, beginAbout, cancel } = useTask()
const words = ref('')

watch(
  () => cue,
  () => (words.value = ''),
)

async function measure() {
  const path = { session: desk.session!.id, cue: cue.id }
  const answer = await beginAbout(
    () => cue,
    (task) => api.GET('/api/sessions/{session}/mixes/{cue}/processing', { params: { path, query: { task } } }),
  )
  if (answer?.data) words.value = answer.data.words
}
</script>

<template>
  <div>
    <button
      class="word"
      :disabled="share !== null"
      title="Renders the first 8 s of the song without filters and compressor, and with them"
      @click="measure"
    >
      Measure before and after
    </button>
    <TaskBar v-if="share !== null" :share="share" label="How much is rendered" @cancel="cancel" />
    <p v-if="words" class="soft" role="status">{{ words }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0 0;
  font-size: 12.5px;
}
</style>
