<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Edit, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LevelCell from '@/parts/LevelCell.vue'
import LitSheet from '@/parts/LitSheet.vue'
import { usePicked } from '@/parts/usePicked'
import { useRowDrag } from '@/parts/useRowDrag'
import { useWindow } from '@/parts/useWindow'
import ChainButtons from '@/steps/chains/ChainButtons.vue'
import ChainRows from '@/steps/chains/ChainRows.vue'
import { useOpenChains } from '@/steps/chains/useOpenChains'
import RowTrouble from '@/steps/readiness/RowTrouble.vue'
import { longMenu } from '@/parts/longMenu'
import AddMany from './AddMany.vue'
import FolderRow from './FolderRow.vue'
import GroupsMenu from './GroupsMenu.vue'
import { MOST_MARKS } from './marks'
import { movedByOne } from './moved'
import PutKit from './PutKit.vue'
import SelectedTracks from './SelectedTracks.vue'
import TrackRow from './TrackRow.vue'
import { useFolders } from './useFolders'
import { useTrackMenu } from './useTrackMenu'
import ViewsMenu from './ViewsMenu.vue'

/** What begins the drop place of a folder; no id of a track holds a slash. */
const FOLDER = 'folder/'

const desk = useDesk()
const many = ref(false)
const putting = ref(false)
const { runs, folded, fold, rename } = useFolders()

const inOrder = computed(() => runs.value.flatMap((run) => run.tracks))

/** What stands in the sheet, one under the other: a folder's head, or a track. */
type Item = { id: string; folder: string; count: number } | { id: string; track: Track }
const items = computed(() =>
  runs.value.flatMap(({ folder, tracks }): Item[] => [
    ...(folder ? [{ id: FOLDER + folder, folder, count: tracks.length }] : []),
    ...(folded.value.has(folder) ? [] : tracks.map((track) => ({ id: track.id, track }))),
  ]),
)
const LINE = 27
const chains = useOpenChains()
const { all: allChains, opened, height: openedHeight, says, toggle } = chains
const { sheet, drawn, above, below, first, show, look } = useWindow(
  () => items.value,
  (item) =>
    LINE * ((desk.troubles.get(`track/${item.id}`)?.length ?? 0) + (says(item.id) ? 1 : 0)) + chains.heightOf(item.id),
)
watch([allChains, opened, openedHeight], look)

const { picked, isPicked, pick, press, letGo } = usePicked(inOrder)
/** What goes along with a track that is dragged or moved by keys: the selection, if it is part of that. */
const alongWith = (id: string) => (isPicked(id) ? picked.value.map((track) => track.id) : [id])

/** Puts tracks in front of another one, into its folder, or into a folder that they were dropped on. */
const { dragged, over, begin } = useRowDrag((id, target) => {
  const moving = alongWith(id)
  const folder = target.startsWith(FOLDER) ? target.slice(FOLDER.length) : null
  const inFolder = folder === null ? [] : inOrder.value.filter((track) => track.look.folder === folder)
  const onto = folder === null ? desk.tracks.find((track) => track.id === target) : inFolder[0]
  const at = desk.tracks.indexOf(onto!)
  const before = desk.tracks.slice(at).find((track) => !moving.includes(track.id))?.id ?? null
  return desk.edit(
    moving.flatMap((track): Edit[] => [
      { kind: 'move-track', track, before },
      { kind: 'set-track-folder', track, folder: folder ?? onto!.look.folder },
    ]),
  )
})
const placeOf = (id: string) =>
  over.value === id && dragged.value
    ? 'target'
    : dragged.value && alongWith(dragged.value).includes(id)
      ? 'dragged'
      : ''

/** Alt with an arrow moves what is selected by one place; an arrow alone goes on to the next row. */
async function pressed(id: string, event: KeyboardEvent) {
  const next = press(id, event)
  if (next) {
    await show(items.value.findIndex((item) => item.id === next.id))
    document.querySelector<HTMLElement>(`[data-row="${CSS.escape(next.id)}"] .pick button`)?.focus()
  }
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  const moving = alongWith(id)
  const tracks = desk.tracks.filter((track) => moving.includes(track.id))
  await desk.edit(movedByOne(tracks, desk.tracks, event.key === 'ArrowUp' ? 'up' : 'down'))
}

/** The tracks whose menu is open, and where. */
const menuOf = ref<Track[]>([])
const menuAt = ref({ x: 0, y: 0 })
const { menu, act } = useTrackMenu(() => menuOf.value)
/** What the open menu offers; what changes meanwhile does not close what is open of it. */
const offered = shallowRef(menu.value)

/** The menu of a row is about all that are selected if the row is among them. */
function more(id: string, event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  menuAt.value = { x: box.right, y: box.bottom + 4 }
  menuOf.value = isPicked(id) ? picked.value : desk.tracks.filter((track) => track.id === id)
  offered.value = menu.value
}

function done(key: string) {
  const made = key === 'chains' ? toggle(menuOf.value[0]!.id) : act(key)
  menuOf.value = []
  return made
}

/** How many marks wide the last column is. */
const hearers = computed(() => (desk.performers.length > MOST_MARKS ? 4 : Math.max(3, desk.performers.length)))

async function add() {
  const name = `Track ${desk.tracks.length + 1}`
  return desk.edit([{ kind: 'add-track', track: await desk.freshId('track', name), name, width: 1, feeds: [] }])
}
</script>

<template>
  <section class="step">
    <header>
      <h1>Tracks</h1>
      <span v-if="picked.length === 0" class="soft sentence">What is recorded, and what the speakers get.</span>
      <span class="fill"></span>
      <span v-show="picked.length === 0" class="main">
        Main
        <LitSheet class="main-level">
          <LevelCell
            label="Main level"
            light="main"
            zero-on-double-click
            :level="desk.session!.main.level"
            :set="(level, gesture) => desk.edit([{ kind: 'set-main-level', level }], gesture)"
          />
        </LitSheet>
      </span>
      <SelectedTracks v-if="picked.length" :tracks="picked" @let-go="letGo" />
      <template v-else>
        <ViewsMenu />
        <GroupsMenu />
        <ChainButtons v-model:all="allChains" />
        <NButton size="small" @click="putting = true">Add a kit</NButton>
        <NButton size="small" @click="many = true">Add many</NButton>
        <NButton size="small" type="primary" @click="add">Add track</NButton>
      </template>
      <AddMany v-model:shown="many" />
      <PutKit v-if="putting" @close="putting = false" />
    </header>
    <LitSheet>
      <div ref="sheet" class="sheet">
        <table aria-label="Tracks" :aria-rowcount="items.length + 1">
          <thead>
            <tr>
              <th style="width: 20px"><span class="hidden">Select</span></th>
              <th class="arm">Arm</th>
              <th style="width: 91px">Hear</th>
              <th style="width: 15%">Track</th>
              <th class="fed">Fed by</th>
              <th title="Peaks between −18 and −12 dBFS are what to aim for">Level in, dBFS</th>
              <th style="width: 58px">Pan</th>
              <th class="speakers">On the speakers, dB</th>
              <td style="width: 106px"></td>
              <th :style="{ width: `${hearers * 21 + 14}px` }">Heard by</th>
              <td style="width: 36px"></td>
            </tr>
          </thead>
          <tbody>
            <tr v-if="above" aria-hidden="true" :style="{ height: `${above}px` }"></tr>
            <template v-for="(item, index) in drawn" :key="item.id">
              <FolderRow
                v-if="'folder' in item"
                :class="placeOf(item.id)"
                :data-row="item.id"
                :aria-rowindex="first + index + 2"
                :folder="item.folder"
                :count="item.count"
                :folded="folded.has(item.folder)"
                :rename="(name) => rename(item.folder, name)"
                @fold="fold(item.folder)"
              />
              <template v-else>
                <TrackRow
                  :track="item.track"
                  :picked="isPicked(item.id)"
                  :place="placeOf(item.id)"
                  :aria-rowindex="first + index + 2"
                  @pick="pick(item.id, $event)"
                  @press="pressed(item.id, $event)"
                  @drag="begin(item.id, $event)"
                  @more="more(item.id, $event)"
                />
                <ChainRows
                  v-if="says(item.id)"
                  :track="item.track"
                  :open="chains.isOpen(item.id)"
                  :after="3"
                  :columns="8"
                  @toggle="toggle(item.id)"
                  @height="openedHeight = $event"
                />
                <RowTrouble :part="`track/${item.id}`" :after="3" :columns="8" />
              </template>
            </template>
            <tr v-if="below" aria-hidden="true" :style="{ height: `${below}px` }"></tr>
          </tbody>
        </table>
      </div>
    </LitSheet>
    <NDropdown
      trigger="manual"
      placement="bottom-end"
      :show="menuOf.length > 0"
      :x="menuAt.x"
      :y="menuAt.y"
      :options="offered"
      :menu-props="longMenu"
      @select="done"
      @clickoutside="menuOf = []"
    />
    <p class="hint">
      Drag over a column of switches to set them all. Drag a level; <kbd>Shift</kbd> is fine; type over its number.
      Double click: 0 dB. Of all this only arm, hear and chains reach the cues, and faders, pans and mutes of what goes
      into a sum or a return that a cue hears.
    </p>
  </section>
</template>

<style scoped>
table {
  table-layout: fixed;
}

.arm {
  width: 64px;
}

.fed {
  width: 114px;
}

.speakers {
  width: 15%;
}

@media (min-width: 1500px) {
  .speakers {
    width: 27%;
  }
}

@media (max-width: 1100px) {
  .arm {
    width: 34px;
  }

  .fed {
    width: 106px;
  }
}

.sheet th {
  padding: 6px;
}

@media (max-width: 1400px) {
  .sentence {
    display: none;
  }
}

.main {
  display: flex;
  align-items: center;
  gap: 8px;
}

.main-level {
  width: 230px;
  flex: none;
}
</style>
