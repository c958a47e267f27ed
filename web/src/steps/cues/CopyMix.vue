<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed } from 'vue'
import type { Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** Makes the cue's mix the same as another one's. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const others = computed(() =>
  desk.cues.filter((each) => each.id !== cue.id).map((each) => ({ label: each.name, key: each.id })),
)
</script>

<template>
  <NDropdown
    v-if="others.length"
    trigger="click"
    :options="others"
    @select="(from: string) => desk.edit([{ kind: 'copy-cue', cue: cue.id, from }])"
  >
    <NButton size="small" title="Who hears it, its outputs, its guard and what they hear direct stay"
      >Copy from…</NButton
    >
  </NDropdown>
</template>
