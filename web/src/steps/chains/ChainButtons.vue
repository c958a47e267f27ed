<script setup lang="ts">
import { NButton } from 'naive-ui'
import { allSwitched, anyChain, switchWords } from '@/desk/chains'
import { useDesk } from '@/desk/desk'

/** Shows what every track's sound passes, and switches all chains at once. */
const all = defineModel<boolean>('all', { required: true })

const desk = useDesk()
</script>

<template>
  <NButton size="small" :aria-pressed="all" title="What each track's sound passes, clean ones too" @click="all = !all">
    {{ all ? 'Hide clean chains' : 'Show chains' }}
  </NButton>
  <NButton
    v-if="anyChain(desk.session!.chains)"
    size="small"
    title="Every chain at once; its effects keep their own switches. Key: X"
    @click="desk.edit(allSwitched(desk.session!.chains))"
  >
    {{ switchWords(desk.session!.chains) }}
  </NButton>
</template>
