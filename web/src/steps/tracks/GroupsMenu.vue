<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import type { Link, TrackGroup } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { groupsSuspended } from '@/desk/groups'
import { LINKS } from './links'

/** The groups of tracks, what each shares, and whether they act now. */
const desk = useDesk()

const names = (group: TrackGroup) =>
  group.tracks.map((id) => desk.tracks.find((track) => track.id === id)?.name ?? id).join(', ')

function toggle(group: TrackGroup, link: Link) {
  const links = group.links.includes(link) ? group.links.filter((each) => each !== link) : [...group.links, link]
  return desk.edit([{ kind: 'group-tracks', group: group.id, name: group.name, tracks: group.tracks, links }])
}
</script>

<template>
  <NPopover trigger="click" placement="bottom-end" :width="420">
    <template #trigger>
      <NButton size="small">{{
        groupsSuspended && desk.session!.groups.length ? 'Groups, suspended' : 'Groups'
      }}</NButton>
    </template>
    <p v-if="desk.session!.groups.length === 0" class="soft">
      None yet. Select tracks at their left edge, with Shift or Ctrl for several, and press Group.
    </p>
    <div v-for="group in desk.session!.groups" :key="group.id" class="group">
      <div class="line">
        <strong>{{ group.name }}</strong>
        <span class="fill"></span>
        <button
          class="word"
          :aria-label="`Remove the group ${group.name}`"
          @click="desk.edit([{ kind: 'ungroup-tracks', group: group.id }])"
        >
          Remove
        </button>
      </div>
      <span class="soft">{{ names(group) }} share</span>
      <div class="line">
        <button
          v-for="{ link, words } in LINKS"
          :key="link"
          class="word"
          :aria-pressed="group.links.includes(link)"
          :aria-label="`${group.name} shares ${words}`"
          :disabled="group.links.length === 1 && group.links[0] === link"
          @click="toggle(group, link)"
        >
          {{ words }}
        </button>
      </div>
    </div>
    <p v-if="desk.session!.groups.length" class="line foot">
      <button class="word" :aria-pressed="groupsSuspended" @click="groupsSuspended = !groupsSuspended">
        Suspend groups
      </button>
      <span class="soft"><kbd>G</kbd>; or hold <kbd>Alt</kbd> to change one track alone</span>
    </p>
  </NPopover>
</template>

<style scoped>
.group {
  margin-bottom: 10px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--rule);
}

.line {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 4px 0;
}

.fill {
  flex: 1;
}

p {
  margin: 4px 0;
}
</style>
