<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useDesk } from '@/desk/desk'
import NumberBox from '@/parts/NumberBox.vue'

/** Bars of the song, taken out, copied or moved with all that begins in them. */
const desk = useDesk()
const from = ref(1)
const to = ref(4)
const before = ref(5)
</script>

<template>
  <div class="range">
    <span>Bars</span>
    <NumberBox class="bar" label="First of the bars" :value="from" :min="1" :set="(bar) => (from = bar)" />
    <span>to</span>
    <NumberBox class="bar" label="Last of the bars" :value="to" :min="1" :set="(bar) => (to = bar)" />
    <NButton size="small" @click="desk.edit([{ kind: 'remove-bars', from, to }])">Remove bars</NButton>
    <NButton size="small" @click="desk.edit([{ kind: 'copy-bars', from, to, before }])">Copy</NButton>
    <span>or</span>
    <NButton size="small" @click="desk.edit([{ kind: 'move-bars', from, to, before }])">Move</NButton>
    <span>before bar</span>
    <NumberBox class="bar" label="Bar before which they go" :value="before" :min="1" :set="(bar) => (before = bar)" />
  </div>
</template>

<style scoped>
.range {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}

.bar {
  width: 52px;
}
</style>
