<script setup lang="ts">
import { NButton, NDropdown, type DropdownOption } from 'naive-ui'
import { ref } from 'vue'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import { useLimits } from '@/desk/limits'

const limits = useLimits()

/** What can be done with a session, a rig or a template at Home: renamed, duplicated, removed to the bin, and what is its own. */
const {
  name,
  more = [],
  rename,
  duplicate,
  remove,
} = defineProps<{
  name: string
  more?: DropdownOption[]
  rename: (name: string) => Promise<unknown>
  duplicate: () => Promise<unknown>
  remove: () => Promise<unknown>
}>()
const emit = defineEmits<{ other: [key: string] }>()

const busy = ref(false)
const renaming = ref(false)
const written = ref('')

const OPTIONS = [
  { label: 'Rename', key: 'rename' },
  { label: 'Duplicate', key: 'duplicate' },
]

/** One at a time, however often it is pressed. */
async function once(action: () => Promise<unknown>): Promise<boolean> {
  if (busy.value) return false
  busy.value = true
  const worked = await trying(action)
  busy.value = false
  return worked
}

function choose(key: string) {
  if (key === 'rename') {
    written.value = name
    renaming.value = true
  } else if (key === 'duplicate') void once(duplicate)
  else if (key === 'remove') void once(remove)
  else emit('other', key)
}

async function accept() {
  if (await once(() => rename(written.value.trim()))) renaming.value = false
}
</script>

<template>
  <NDropdown
    trigger="click"
    :options="[...OPTIONS, ...more, { label: 'Remove', key: 'remove' }]"
    :disabled="busy"
    @select="choose"
  >
    <button class="word" :aria-label="`More for ${name}`" :disabled="busy">…</button>
  </NDropdown>
  <DialogCard v-model:show="renaming" :title="`Rename ${name}`" :width="420">
    <form class="form" @submit.prevent="accept">
      <FormRow label="Name"><input v-model="written" class="field" required :maxlength="limits?.textLength" /></FormRow>
      <NButton attr-type="submit" type="primary" :loading="busy" :disabled="!written.trim()">Rename</NButton>
    </form>
  </DialogCard>
</template>
