<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** What of the tracks is in sight: by kind, and as views kept by name. Nothing of it is heard. */
const desk = useDesk()
const name = ref('')

const hidden = computed(() => desk.tracks.filter((track) => track.look.hidden))
const KINDS: { role: Track['role']; words: string }[] = [
  { role: 'input', words: 'inputs' },
  { role: 'instrument', words: 'instruments' },
  { role: 'split', words: 'split' },
  { role: 'click', words: 'click' },
  { role: 'backing', words: 'guides' },
  { role: 'sum', words: 'sums' },
  { role: 'return', words: 'returns' },
]

const ofKind = (role: Track['role']) => desk.tracks.filter((track) => track.role === role)
const isShown = (role: Track['role']) => ofKind(role).some((track) => !track.look.hidden)

function hide(tracks: Track[], away: boolean) {
  const changed = tracks.filter((track) => track.look.hidden !== away)
  return desk.edit(changed.map((track) => ({ kind: 'hide-track', track: track.id, hidden: away })))
}

async function save() {
  const same = desk.session!.views.find((view) => view.name === name.value.trim())
  const view = same?.id ?? (await desk.freshId('view', name.value))
  if (await desk.edit([{ kind: 'save-view', view, name: name.value }])) name.value = ''
}
</script>

<template>
  <NPopover trigger="click" placement="bottom-end" :width="340">
    <template #trigger>
      <NButton size="small">{{ hidden.length ? `View, ${hidden.length} hidden` : 'View' }}</NButton>
    </template>
    <p class="line">
      Show
      <button
        v-for="kind in KINDS.filter(({ role }) => ofKind(role).length)"
        :key="kind.role"
        class="word"
        :aria-pressed="isShown(kind.role)"
        @click="hide(ofKind(kind.role), isShown(kind.role))"
      >
        {{ kind.words }}
      </button>
      <button class="word" :disabled="hidden.length === 0" @click="hide(hidden, false)">all</button>
    </p>
    <p v-for="view in desk.session!.views" :key="view.id" class="line">
      <button class="word" :title="`Show ${view.name}`" @click="desk.edit([{ kind: 'show-view', view: view.id }])">
        {{ view.name }}
      </button>
      <span class="soft">hides {{ view.hidden.length }}</span>
      <span class="fill"></span>
      <button
        class="word"
        :aria-label="`Delete the view ${view.name}`"
        @click="desk.edit([{ kind: 'remove-view', view: view.id }])"
      >
        delete
      </button>
    </p>
    <form class="line" @submit.prevent="save">
      <input v-model="name" class="field" aria-label="Name of the view" placeholder="name of this view" />
      <NButton size="small" attr-type="submit" :disabled="!name.trim()">Save view</NButton>
    </form>
  </NPopover>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 4px 0 8px;
}

.line .word {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line .soft,
.line .word:last-child {
  flex: none;
}

.fill,
.field {
  flex: 1;
  min-width: 0;
}
</style>
