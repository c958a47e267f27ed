<script setup lang="ts">
import { ref } from 'vue'
import { tell } from '@/desk/notice'
import { decimal } from '@/desk/written'

/** By how many dB all that is selected goes up, or down; Enter does it. */
const { label, raise } = defineProps<{
  label: string
  raise: (db: number) => unknown
}>()

const db = ref('')

function accept() {
  const by = decimal(db.value)
  if (!db.value.trim() || !Number.isFinite(by)) return tell('Type a number of dB, as in 3 or -1.5.')
  db.value = ''
  return raise(by)
}
</script>

<template>
  <label title="They move together and keep their distances">
    Levels by
    <input v-model="db" class="field" placeholder="dB" :aria-label="label" @keydown.enter="accept" @keydown.stop />
  </label>
</template>

<style scoped>
label {
  display: flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}

.field {
  width: 54px;
}
</style>
