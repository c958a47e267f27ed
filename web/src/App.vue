<script setup lang="ts">
import { enUS, NConfigProvider } from 'naive-ui'
import { controls } from '@/look/theme'
import NoticeBubble from '@/parts/NoticeBubble.vue'
import QuestionDialog from '@/parts/QuestionDialog.vue'

const words = {
  ...enUS,
  Select: { placeholder: 'choose' },
  Input: { ...enUS.Input, placeholder: '' },
  Empty: { description: 'nothing to choose from' },
}
</script>

<template>
  <NConfigProvider :theme="controls.base" :theme-overrides="controls.overrides" :locale="words" abstract>
    <RouterView />
    <QuestionDialog />
    <NoticeBubble />
  </NConfigProvider>
</template>
