<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useDesk } from '@/desk/desk'

/** The simulated players, plainly marked as what they are. */
const desk = useDesk()

const options = computed(() => [
  { label: 'All play', value: 'all' },
  ...(desk.live?.playerIds ?? []).map((id) => ({
    label: `${desk.performers.find((performer) => performer.id === id)?.name ?? id} alone`,
    value: id,
  })),
  { label: 'All quiet', value: 'none' },
])
</script>

<template>
  <section class="stand-ins" aria-label="Stand-ins">
    <h3>Stand-ins</h3>
    <p>Simulated players in a simulated room.</p>
    <NSelect
      size="small"
      :value="desk.live!.players"
      :options="options"
      :input-props="{ 'aria-label': 'Who of the stand-ins plays' }"
      aria-label="Who of the stand-ins plays"
      @update:value="(who: string) => desk.command({ kind: 'players', who })"
    />
  </section>
</template>

<style scoped>
.stand-ins {
  margin: 0 12px;
  padding: 10px;
  border: 1px dashed var(--rule-strong);
  border-radius: 8px;
}

h3 {
  font-size: 14px;
}

p {
  margin: 2px 0 8px;
  color: var(--soft);
  font-size: 12px;
}
</style>
