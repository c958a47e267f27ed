<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { api, type May, type Track } from '@/api/client'
import { placing } from '@/desk/placing'
import { useDesk } from '@/desk/desk'
import LevelsBy from '@/parts/LevelsBy.vue'
import ChoiceList from '@/parts/ChoiceList.vue'
import { longMenu } from '@/parts/longMenu'
import GroupSelected from './GroupSelected.vue'
import KeepKit from './KeepKit.vue'
import CopySettings from './CopySettings.vue'
import { useFeeds } from './useFeeds'
import { useTrackMenu } from './useTrackMenu'

/** What is done to all selected tracks in one go. */
const { tracks } = defineProps<{ tracks: Track[] }>()
const emit = defineEmits<{ letGo: [] }>()

const desk = useDesk()
const { askWhatCanFeed, feedOptions, feedsOf } = useFeeds()
const choosing = ref(false)
/** Which dialog about them is open. */
const shown = ref<'' | 'group' | 'settings' | 'kit'>('')

const forInputs = computed(() => tracks.every((track) => track.role === 'input'))
const alike = computed(() => forInputs.value && new Set(tracks.map((track) => track.width)).size === 1)
const thatMay = (what: May) => tracks.filter((track) => desk.standingOf(track.id).may.includes(what))
const armable = computed(() => thatMay('record'))
const removable = computed(() => thatMay('remove'))
const allArmed = computed(() => armable.value.every((track) => track.armed))

async function choose() {
  if (await askWhatCanFeed(tracks[0]!)) choosing.value = true
}

async function feed(value: number) {
  choosing.value = false
  await desk.edit(tracks.map((track) => ({ kind: 'feed-track', track: track.id, feeds: feedsOf(value) })))
}

function countUp() {
  const params = { path: { session: desk.session!.id } }
  const body = { tracks: tracks.map((track) => track.id) }
  return desk.proposed(() => placing(api.POST('/api/sessions/{session}/tracks/count-up', { params, body })))
}

function raise(db: number) {
  const params = { path: { session: desk.session!.id } }
  const body = { tracks: tracks.map((track) => track.id), db }
  return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/raise', { params, body }))
}

const { menu, act } = useTrackMenu(() => tracks)
/** What the open menu offers; what changes meanwhile does not close what is open of it. */
const offered = shallowRef(menu.value)

const arm = () =>
  desk.edit(armable.value.map((track) => ({ kind: 'arm-track', track: track.id, armed: !allArmed.value })))

async function remove() {
  if (await desk.edit(removable.value.map((track) => ({ kind: 'remove-track', track: track.id })))) emit('letGo')
}
</script>

<template>
  <span class="soft">{{ tracks.length }} selected</span>
  <ChoiceList
    v-if="choosing"
    class="feed"
    :value="null"
    :options="feedOptions"
    label="What feeds all of them"
    @choose="feed"
    @close="choosing = false"
  />
  <NButton v-else-if="alike" size="small" title="The same port or input for all of them" @click="choose">
    Feed all from
  </NButton>
  <NButton v-if="forInputs && tracks.length > 1" size="small" title="From the first one's port on" @click="countUp">
    Count up ports
  </NButton>
  <NButton v-if="armable.length" size="small" @click="arm">{{ allArmed ? 'Disarm' : 'Arm' }}</NButton>
  <LevelsBy label="Levels of all selected by, dB" :raise="raise" />
  <NDropdown trigger="click" :options="offered" :menu-props="longMenu" @update:show="offered = menu" @select="act">
    <NButton size="small" title="Colour, mark, folder, hear, mute and more, for all of them">Change all…</NButton>
  </NDropdown>
  <NButton v-if="tracks.length > 1" size="small" title="They share level, mute and more" @click="shown = 'group'">
    Group
  </NButton>
  <NButton size="small" title="From another track, or from a setting that is kept" @click="shown = 'settings'">
    Copy settings
  </NButton>
  <NButton
    v-if="removable.length === tracks.length"
    size="small"
    title="To put these tracks into any session"
    @click="shown = 'kit'"
  >
    Keep as kit
  </NButton>
  <NButton v-if="removable.length" size="small" @click="remove">Remove</NButton>
  <NButton size="small" @click="emit('letGo')">Clear selection</NButton>
  <GroupSelected v-if="shown === 'group'" :tracks="tracks" @close="shown = ''" />
  <CopySettings v-if="shown === 'settings'" :tracks="tracks" @close="shown = ''" />
  <KeepKit v-if="shown === 'kit'" :tracks="tracks" @close="shown = ''" />
</template>

<style scoped>
.feed {
  width: 200px;
}
</style>
