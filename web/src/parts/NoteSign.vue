<script setup lang="ts">
import { NOTES, noteWord, type Note } from './notes'

/** A note as it is written, with its word for who does not read it. */
defineProps<{ note: Note }>()
</script>

<template>
  <span class="note" role="img" :aria-label="noteWord(note)" :title="noteWord(note)">{{ NOTES[note] }}</span>
</template>

<style scoped>
.note {
  font-family: 'Noto Music';
  font-size: 1.45em;
  font-weight: 400;
  line-height: 0;
}
</style>
