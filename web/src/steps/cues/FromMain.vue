<script setup lang="ts">
import { NButton, NCheckbox, NPopover } from 'naive-ui'
import { reactive, ref } from 'vue'
import { api, type Cue, type Edit } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'

/** Makes of the main mix, as it is now, the sends of a cue: what is wished of levels, pans and mutes. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const shown = ref(false)
const taken = reactive({ levels: true, pans: true, mutes: true })

async function start() {
  const params = { path: { session: desk.session!.id, cue: cue.id } }
  let edits: Edit[] = []
  let limited = ''
  const asked = await trying(async () => {
    ;({ edits, limited } = (
      await api.POST('/api/sessions/{session}/cues/{cue}/from-main', { params, body: { ...taken } })
    ).data!)
  })
  if (!asked) return
  shown.value = false
  if (edits.length === 0) return tell(`${cue.name} is so already.`)
  if ((await desk.edit(edits, null, true)) && limited) tell(limited)
}
</script>

<template>
  <NPopover v-model:show="shown" trigger="click" placement="bottom-start">
    <template #trigger><NButton size="small">Start from main</NButton></template>
    <p>What the speakers get now becomes this mix. From then on it goes its own way.</p>
    <div class="what" role="group" aria-label="What is taken from the main mix">
      <NCheckbox v-model:checked="taken.levels" label="levels: faders with the main level" />
      <NCheckbox v-model:checked="taken.pans" label="pans" />
      <NCheckbox v-model:checked="taken.mutes" label="mutes, also of what solo silences" />
    </div>
    <NButton size="small" type="primary" :disabled="!taken.levels && !taken.pans && !taken.mutes" @click="start">
      Start
    </NButton>
  </NPopover>
</template>

<style scoped>
p {
  max-width: 270px;
  margin: 0 0 8px;
}

.what {
  display: flex;
  flex-direction: column;
  gap: 4px;
  margin-bottom: 10px;
}
</style>
