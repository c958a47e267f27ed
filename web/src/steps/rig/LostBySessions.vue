<script setup lang="ts">
import { ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { api, type Loss } from '@/api/client'
import { useRig } from '@/desk/rig'

/** The sessions that lost something when this rig changed; each can be mapped anew in its readiness. */
const store = useRig()
const losses = ref<Loss[]>([])

watch(
  () => store.rig,
  async (rig) => {
    if (!rig) return
    const answer = await api.GET('/api/rigs/{rig}/losses', store.at).catch(() => null)
    losses.value = answer?.data ?? []
  },
  { immediate: true },
)
</script>

<template>
  <ul v-if="losses.length" class="losses" aria-label="Sessions that lost something">
    <li v-for="each in losses" :key="each.session">
      <RouterLink :to="`/sessions/${each.session}/input-list?readiness=shown`"
        >{{ each.name }}{{ each.song && `, ${each.song}` }}</RouterLink
      >
      <span :title="each.losses.join('\n')"
        >lost {{ each.losses.length }}: {{ each.losses[0] }}{{ each.losses.length > 1 ? ' …' : '' }}</span
      >
    </li>
  </ul>
</template>

<style scoped>
.losses {
  flex: none;
  max-height: 64px;
  margin: 0 4px 10px;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li {
  display: flex;
  gap: 8px;
  color: var(--flare);
}
</style>
