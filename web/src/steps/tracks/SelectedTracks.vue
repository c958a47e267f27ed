<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import ChoiceList from '@/parts/ChoiceList.vue'
import GroupSelected from './GroupSelected.vue'
import KeepKit from './KeepKit.vue'
import CopySettings from './CopySettings.vue'
import { useFeeds } from './useFeeds'

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
const armable = computed(() => tracks.filter((track) => track.role === 'input' || track.role === 'instrument'))
const removable = computed(() => tracks.filter((track) => track.role !== 'click'))
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
  return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/count-up', { params, body }))
}

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
