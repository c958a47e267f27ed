<script setup lang="ts">
import type { Input } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** Silences an input for every listener, or lets it back; while a switch is thrown at its preamp it is silent anyway. */
const { input } = defineProps<{ input: Input }>()

const desk = useDesk()
</script>

<template>
  <span
    v-if="desk.inputStandingOf(input.id).silent"
    class="soft"
    title="Nobody hears it while a switch is thrown at its preamp"
  >
    silent
  </span>
  <button
    v-else
    class="word"
    :aria-pressed="input.cut"
    :aria-label="`Cut ${input.source}`"
    :title="input.cut ? 'Let everyone hear it again' : 'Silence it for every listener; recording goes on'"
    @click="desk.edit([{ kind: 'cut-input', input: input.id, cut: !input.cut }])"
  >
    cut
  </button>
</template>
