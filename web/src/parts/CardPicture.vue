<script setup lang="ts">
import type { Picture } from '@/api/client'

/** One of the small drawings that a template's card can have. */
const { picture } = defineProps<{ picture: Picture }>()

const LINES: Record<Picture, string> = {
  lantern: 'M14 9a6 6 0 0 1 12 0M12 9h16v4H12zM13 13v18h14V13M10 31h20M20 17c3 4 4 5 4 7a4 4 0 0 1-8 0c0-2 1-3 4-7',
  mic: 'M15 8a5 5 0 0 1 10 0v10a5 5 0 0 1-10 0zM10 17a10 10 0 0 0 20 0M20 27v7M13 34h14M15 12h10',
  strings: 'M12 6v28M17 6v28M23 6v28M28 6v28M9 26q11-6 22 0M9 14h22',
  brass: 'M5 17h17q6 0 12-7v20q-6-7-12-7H12q-5 0-5-3M14 17v10M18 17v10M22 17v10',
  drum: 'M7 14a13 5 0 1 0 26 0 13 5 0 1 0-26 0v12a13 5 0 0 0 26 0V14M11 18l5 11M29 18l-5 11M20 19v12',
  keys: 'M6 10h28v20H6zM13 10v20M20 10v20M27 10v20M11 10v11h4V10M18 10v11h4V10M25 10v11h4V10',
  voices:
    'M8 14a6 6 0 1 0 12 0 6 6 0 1 0-12 0M20 22a6 6 0 1 0 12 0 6 6 0 1 0-12 0M12 16q2 3 4 0M24 24q2 3 4 0M6 34q8-12 16 0',
  boat: 'M5 25h30l-6 8H11zM20 25V6l10 15H20M17 10 9 21h8',
}
</script>

<template>
  <svg viewBox="0 0 40 40" width="40" height="40" fill="none" aria-hidden="true">
    <path :d="LINES[picture]" stroke="currentColor" stroke-width="1.6" stroke-linecap="round" stroke-linejoin="round" />
  </svg>
</template>
