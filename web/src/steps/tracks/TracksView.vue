<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import EditableText from '@/parts/EditableText.vue'
import LevelCell from '@/parts/LevelCell.vue'
import LitSheet from '@/parts/LitSheet.vue'
import { usePortions } from '@/parts/usePortions'
import RowTrouble from '@/steps/readiness/RowTrouble.vue'
import AddMany from './AddMany.vue'
import GroupsMenu from './GroupsMenu.vue'
import PutKit from './PutKit.vue'
import SelectedTracks from './SelectedTracks.vue'
import TrackRow from './TrackRow.vue'
import { useFolders } from './useFolders'
import { usePicked } from './usePicked'
import ViewsMenu from './ViewsMenu.vue'

const desk = useDesk()
const many = ref(false)
const putting = ref(false)
const { runs, folded, fold, rename } = useFolders()

const inOrder = computed(() => runs.value.flatMap((run) => run.tracks))
const portion = usePortions(() => inOrder.value)
const there = computed(() => new Set(portion.value))
const unfolded = (run: (typeof runs.value)[number]) =>
  folded.value.has(run.folder) ? [] : run.tracks.filter((track) => there.value.has(track))

const { picked, pick, letGo } = usePicked(inOrder)

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
        <NButton size="small" @click="putting = true">Put in a kit</NButton>
        <NButton size="small" @click="many = true">Add many</NButton>
        <NButton size="small" type="primary" @click="add">Add track</NButton>
      </template>
      <AddMany v-model:shown="many" />
      <PutKit v-if="putting" @close="putting = false" />
    </header>
    <LitSheet>
      <div class="sheet">
        <table aria-label="Tracks">
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
              <th style="width: 106px"></th>
              <th :style="{ width: `${Math.max(3, desk.performers.length) * 21 + 14}px` }">Heard by</th>
              <th style="width: 36px"></th>
            </tr>
          </thead>
          <tbody>
            <template v-for="run in runs" :key="run.folder || run.tracks[0]!.id">
              <tr v-if="run.folder" class="folder">
                <td colspan="11">
                  <button
                    class="plain fold"
                    :aria-expanded="!folded.has(run.folder)"
                    :aria-label="`Fold ${run.folder}`"
                    @click="fold(run.folder)"
                  >
                    {{ folded.has(run.folder) ? '▸' : '▾' }}
                  </button>
                  <EditableText
                    :text="run.folder"
                    :label="`Name of the folder ${run.folder}`"
                    :set="(name) => rename(run.folder, name)"
                  />
                  <span class="soft count">{{ run.tracks.length }}</span>
                </td>
              </tr>
              <template v-for="track in unfolded(run)" :key="track.id">
                <TrackRow :track="track" :picked="picked.includes(track)" @pick="pick(track.id, $event)" />
                <RowTrouble :part="`track/${track.id}`" :own="`Track ${track.name} `" :after="3" :columns="8" />
              </template>
            </template>
          </tbody>
        </table>
      </div>
    </LitSheet>
    <p class="hint">
      Drag over a column of switches to set them all. Drag a level; <kbd>Shift</kbd> is fine; type over its number.
      Double click: 0 dB. Of all this only arm and hear reach the cues.
    </p>
  </section>
</template>

<style scoped>
.folder td {
  background: var(--raised);
  font-weight: 600;
}

.fold {
  width: 22px;
}

.count {
  margin-left: 8px;
  font-weight: 400;
}

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
