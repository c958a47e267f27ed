<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Port } from '@/api/client'
import { useRig } from '@/desk/rig'
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

const filter = (pattern: string, option: { label?: unknown }) =>
  String(option.label).toLowerCase().includes(pattern.toLowerCase())
</script>

<template>
  <NSelect
    v-if="choosing"
    size="tiny"
    filterable
    :show="true"
    :filter="filter"
    :value="other ?? ''"
    :options="options"
    :consistent-menu-width="false"
    :input-props="{ 'aria-label': name }"
    @update:value="tie"
    @update:show="(shown: boolean) => shown || (choosing = false)"
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
