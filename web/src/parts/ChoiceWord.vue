<script setup lang="ts" generic="Value extends string">
import { computed, nextTick, ref } from 'vue'
import ChoiceList from './ChoiceList.vue'

/** A word that is chosen from a list; the list is made when somebody opens it, since a sheet has hundreds of such words. */
const { value, options, label } = defineProps<{
  value: Value
  options: { label: string; value: Value; what?: string }[]
  label: string
}>()
const emit = defineEmits<{ choose: [value: Value] }>()

const open = ref(false)
const button = ref<HTMLButtonElement>()
const shown = computed(() => options.find((each) => each.value === value)?.label ?? value)

function choose(chosen: Value) {
  close()
  if (chosen !== value) emit('choose', chosen)
}

/** Whoever came by the keyboard goes on from where they were. */
async function close() {
  open.value = false
  await nextTick()
  button.value?.focus()
}
</script>

<template>
  <ChoiceList v-if="open" :value="value" :options="options" :label="label" @choose="choose" @close="close" />
  <button
    v-else
    ref="button"
    class="choice"
    aria-haspopup="listbox"
    :aria-label="label"
    :aria-description="shown"
    @click="open = true"
    @keydown.down.prevent="open = true"
  >
    {{ shown }}<span class="soft" aria-hidden="true">▾</span>
  </button>
</template>

<style scoped>
.choice {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 4px;
  width: 100%;
  height: 22px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}

.choice:hover {
  border-color: var(--sea);
}
</style>
