<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { TimingSheet } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** Which buffer to choose, as core says it wherever it is asked. */
const { buffers } = defineProps<{ buffers: TimingSheet['buffers'] }>()

const desk = useDesk()
</script>

<template>
  <p>
    {{ buffers.proposal }}
    <NButton
      v-if="buffers.proposed !== desk.session!.bufferFrames"
      size="tiny"
      type="primary"
      @click="desk.edit([{ kind: 'set-buffer', bufferFrames: buffers.proposed }])"
    >
      Take {{ buffers.proposed }}
    </NButton>
  </p>
</template>
