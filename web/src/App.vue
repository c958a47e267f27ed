<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { controls } from '@/look/theme'
import NoticeBubble from '@/parts/NoticeBubble.vue'
</script>

<template>
  <NConfigProvider :theme="controls.base" :theme-overrides="controls.overrides" abstract>
    <RouterView />
    <NoticeBubble />
  </NConfigProvider>
</template>
