<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import FileChooser from '@/parts/FileChooser.vue'
import { performersShown } from '@/steps/performers/shown'
import BringDialog from './BringDialog.vue'

/** The head of the input list: what it amounts to, and what is done to all of it or to the selected rows. */
const inGrid = defineModel<boolean>('inGrid', { required: true })
const { selected, mappable } = defineProps<{ selected: number; mappable: boolean }>()
const emit = defineEmits<{
  countUp: []
  spare: []
  remove: []
  makeTracks: [stereo: Stereo]
  add: []
  take: [file: File | null]
}>()

type Stereo = 'one-track' | 'two-panned'
const STEREO = [
  { label: 'A stereo track for each stereo source', key: 'one-track' },
  { label: 'Two tracks for it, panned left and right', key: 'two-panned' },
]

const desk = useDesk()
const bringing = ref(false)

const anyStereo = computed(() => desk.inputs.some((input) => input.width === 2))

const summary = computed(() => {
  const powered = desk.inputs.filter((input) => input.phantom === 'on').length
  const open = desk.inputs.filter((input) => input.ports.length < input.width).length
  if (desk.inputs.length === 0) return ''
  return open ? `${open} without a port` : `all with a port, ${powered} want +48 V`
})
</script>

<template>
  <header>
    <h1>Input list</h1>
    <span v-if="!selected && !mappable" class="soft">{{ summary }}</span>
    <span class="fill"></span>
    <template v-if="selected">
      <span class="soft">{{ selected }} selected</span>
      <NButton size="small" title="Ctrl Enter" @click="emit('countUp')">Count up ports</NButton>
      <NButton v-if="selected === 1" size="small" title="Its gain goes low first" @click="emit('spare')">
        Move to a spare port
      </NButton>
      <NButton size="small" @click="emit('remove')">Remove</NButton>
    </template>
    <template v-else>
      <span>
        <button class="word" :aria-pressed="!inGrid" @click="inGrid = false">Sheet</button>
        <button class="word" :aria-pressed="inGrid" @click="inGrid = true">Grid</button>
      </span>
      <button
        v-if="!inGrid"
        class="word"
        :aria-pressed="desk.holdsEars"
        title="When a gain changes, the track's trim takes the difference: what comes in changes, what is heard does not. With one that only a hand turns, they follow once you say it is set."
        @click="desk.holdsEars = !desk.holdsEars"
      >
        Hold ears
      </button>
      <slot />
      <NButton size="small" @click="performersShown = true">Performers</NButton>
    </template>
    <FileChooser
      label="CSV file to import"
      accept=".csv,.tsv,.txt,text/csv"
      button="Import"
      @chosen="(file) => emit('take', file)"
    />
    <NButton
      size="small"
      tag="a"
      :href="`/api/sessions/${desk.session!.id}/input-list.csv`"
      download
      title="As a CSV file"
    >
      Export
    </NButton>
    <NButton size="small" @click="bringing = true">Print and gear list</NButton>
    <NDropdown
      v-if="mappable && anyStereo"
      trigger="click"
      :options="STEREO"
      @select="(stereo: Stereo) => emit('makeTracks', stereo)"
    >
      <NButton size="small">Make tracks ▾</NButton>
    </NDropdown>
    <NButton v-else-if="mappable" size="small" @click="emit('makeTracks', 'one-track')">Make tracks</NButton>
    <NButton size="small" type="primary" @click="emit('add')">Add input</NButton>
    <BringDialog v-model:shown="bringing" />
  </header>
</template>
