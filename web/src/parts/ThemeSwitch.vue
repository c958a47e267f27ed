<script setup lang="ts">
import { switchTheme, theme } from '@/look/theme'
</script>

<template>
  <button class="word" :aria-label="theme === 'day' ? 'Switch to Night' : 'Switch to Day'" @click="switchTheme">
    {{ theme === 'day' ? 'Night' : 'Day' }}
  </button>
</template>
