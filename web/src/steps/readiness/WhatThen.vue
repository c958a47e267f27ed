<script setup lang="ts">
import { ref, watch } from 'vue'
import { api } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** What else would be found once a finding's fix is made; tried out when somebody looks at it. */
const { found } = defineProps<{ found: string }>()

const desk = useDesk()
const then = ref<string[]>([])

watch(
  () => [found, desk.findings],
  async () => {
    const params = { path: { session: desk.session!.id }, query: { key: found } }
    const answer = await api.GET('/api/sessions/{session}/readiness/then', { params }).catch(() => null)
    then.value = answer?.data ?? []
  },
  { immediate: true },
)
</script>

<template>
  <p v-for="sentence in then" :key="sentence" class="soft">Then: {{ sentence }}</p>
</template>
