<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { Link, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import { LINKS } from './links'
import { useLimits } from '@/desk/limits'

/** Groups the selected tracks, so that they share what is chosen. */
const { tracks } = defineProps<{ tracks: Track[] }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const limits = useLimits()
const folders = new Set(tracks.map((track) => track.look.folder))
const name = ref(([...folders][0] ?? '') || `Group ${desk.session!.groups.length + 1}`)
const links = ref<Link[]>(['level', 'mute', 'solo', 'arm'])

async function group() {
  const made = await desk.edit([
    {
      kind: 'group-tracks',
      group: await desk.freshId('group', name.value),
      name: name.value,
      tracks: tracks.map((track) => track.id),
      links: links.value,
    },
  ])
  if (made) emit('close')
}
</script>

<template>
  <DialogCard :show="true" title="Group tracks" :width="440" @update:show="emit('close')">
    <form class="form" @submit.prevent="group">
      <p class="soft">What is done to one of {{ tracks.map((track) => track.name).join(', ') }} is done to all.</p>
      <FormRow label="Name"><input v-model="name" class="field" required :maxlength="limits?.textLength" /></FormRow>
      <fieldset>
        <legend class="soft">They share</legend>
        <label v-for="{ link, words } in LINKS" :key="link">
          <input v-model="links" type="checkbox" :value="link" /> {{ words }}
        </label>
      </fieldset>
      <p class="soft">Levels and sends move by the same number of dB; what is off stays off.</p>
      <NButton attr-type="submit" type="primary" :disabled="!name.trim() || links.length === 0">Group</NButton>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 6px;
  margin: 0;
  padding: 8px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
}
</style>
