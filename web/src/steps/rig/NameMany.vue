<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { api, type Port } from '@/api/client'
import { useRig } from '@/desk/rig'
import DialogCard from '@/parts/DialogCard.vue'

/** House labels for many ports at once: by a pattern, by a pasted column, or from what is tied there. */
const shown = defineModel<boolean>('shown', { required: true })
const { ports } = defineProps<{ ports: Port[] }>()

const store = useRig()
const pattern = ref('Wall {n}')
const from = ref(1)
const column = ref('')

async function name(by: 'pattern' | 'column' | 'ties', text: string) {
  const body = { ports: ports.map((port) => port.id), by, text, from: Math.round(Number(from.value)) || 1 }
  if (await store.proposed(() => api.POST('/api/rigs/{rig}/labels', { ...store.at, body }))) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Name many ports" :width="560">
    <p class="soft">
      {{ ports.length }} ports, from {{ ports[0]?.houseLabel }} to {{ ports.at(-1)?.houseLabel }}.
      <template v-if="ports[0]?.direction === 'out'">A pair gets one name.</template>
    </p>
    <div class="way">
      <label>By a pattern <input v-model="pattern" class="field" aria-label="Pattern" /></label>
      <label>from <input v-model="from" class="field number" aria-label="From" /></label>
      <NButton type="primary" @click="name('pattern', pattern)">Name them</NButton>
    </div>
    <p class="soft small">{n} becomes the number.</p>
    <label>
      By a column, a line a port or a pair of outputs; "left | right" names two
      <textarea v-model="column" class="field" rows="5" aria-label="Column" @keydown.stop></textarea>
    </label>
    <div class="way">
      <NButton :disabled="!column.trim()" @click="name('column', column)">Name by the column</NButton>
      <NButton @click="name('ties', '')">Name after what is tied there</NButton>
    </div>
  </DialogCard>
</template>

<style scoped>
.way {
  display: flex;
  align-items: end;
  gap: 10px;
  margin-top: 10px;
}

.number {
  width: 60px;
}

.small {
  font-size: 12px;
  margin: 4px 0 12px;
}

textarea {
  display: block;
  width: 100%;
  resize: vertical;
}
</style>
