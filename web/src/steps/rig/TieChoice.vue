<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Port } from '@/api/client'
import { useRig } from '@/desk/rig'
import ChoiceList from '@/parts/ChoiceList.vue'
import { useWiring, type End } from './useWiring'

/** The other end of a fixed cable at a port: where it comes from, or where it goes to; pressed, it can be chosen. */
const { port, end } = defineProps<{ port: Port; end: End }>()

const store = useRig()
const wiring = useWiring()
const choosing = ref(false)

const other = computed(() => wiring.otherEnd(port, end))
const name = computed(() =>
  end === 'to' ? `Where ${port.houseLabel} goes on to` : `What is tied into ${port.houseLabel}`,
)
const options = computed(() => (choosing.value ? [{ label: 'nothing', value: '' }, ...wiring.ends(port, end)] : []))

async function tie(value: string) {
  choosing.value = false
  await store.edit(wiring.tieEdits(port, end, value))
}
</script>

<template>
  <ChoiceList
    v-if="choosing"
    :value="other ?? ''"
    :options="options"
    :label="name"
    @choose="tie"
    @close="choosing = false"
  />
  <button v-else class="plain" :title="name" :aria-label="name" @click="choosing = true">
    <template v-if="other">{{ end === 'to' ? '→' : '←' }} {{ store.label(other) }}</template>
    <span v-else class="soft">{{ end === 'to' ? '→ nothing' : '← nothing' }}</span>
  </button>
</template>

<style scoped>
button {
  cursor: pointer;
}
</style>
