<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import type { Cue, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { cells, lines } from '@/desk/pasted'
import { useSheet, type Range } from '@/parts/useSheet'
import { useWindow } from '@/parts/useWindow'
import CueReading from './CueReading.vue'
import SelectedSends from './SelectedSends.vue'
import { useLevels, type Cell } from './useLevels'

/** All cues beside each other: tracks down, cues across, a level a cell, to be typed, pasted and filled as in a spreadsheet. */
const emit = defineEmits<{ show: [cue: string] }>()

/** With more cues than that their columns are narrow. */
const ROOMY = 5

const desk = useDesk()
const grid = ref<HTMLElement>()

const { rows, sendOf, words, unheard, silent, tint, set } = useLevels()

const columns = computed(() => desk.cues.map((cue) => ({ cue, shown: (track: Track) => words(cue, track) })))
const list = useWindow(() => rows.value)
const inSight = computed(() => list.drawn.value.map((track, index) => ({ track, r: list.first.value + index })))
const { sheet: box, above, below } = list

const sheet = useSheet({
  grid,
  rows,
  columns,
  write: (track, { cue }, value) => put(track, cue, value),
  countUp() {},
  move() {},
  insert() {},
  remove: switchOff,
  clear: switchOff,
  fillDown() {
    const { top, ...below } = reach()
    const from = rows.value[top]!
    return set(block({ ...below, top: top + 1 }).flat(), ({ cue }) => words(cue, from))
  },
  show: (at) => list.show(at),
})
const { editing, draft } = sheet

/** The selected cells, or the one in which one stands. */
function reach(): Range {
  const [row, column] = [sheet.row.value, sheet.column.value]
  return sheet.range.value ?? { top: row, bottom: row, left: column, right: column }
}

const across = (track: Track): Cell[] => desk.cues.map((cue) => ({ cue, track }))
/** Cells row by row. */
const block = ({ top, bottom, left, right }: Range): Cell[][] =>
  rows.value.slice(top, bottom + 1).map((track) => across(track).slice(left, right + 1))
/** The rows that are selected as a whole; else the selected cells. */
const chosen = (): Cell[][] =>
  sheet.whole.value.size ? rows.value.filter((track) => sheet.whole.value.has(track.id)).map(across) : block(reach())
const selected = computed(() =>
  sheet.whole.value.size || sheet.range.value
    ? chosen().flatMap((row) => row.map(({ cue, track }) => ({ cue: cue.id, track: track.id })))
    : [],
)

/** What is typed into a selected cell goes into all that are selected; one that is left as it was changes none. */
function put(track: Track, cue: Cue, text: string): Promise<unknown> {
  const among = text !== words(cue, track) && (sheet.range.value !== null || sheet.whole.value.has(track.id))
  return set(among ? chosen().flat() : [{ cue, track }], () => text)
}

function switchOff(): Promise<unknown> {
  const inMix = chosen().flatMap((row) => row.filter(({ cue, track }) => sendOf(cue, track)))
  return set(inMix, () => 'off')
}

function copy(event: ClipboardEvent) {
  const taken = chosen().map((row) => row.map(({ cue, track }) => words(cue, track)))
  event.clipboardData?.setData('text/plain', lines(taken))
  event.preventDefault()
}

/** As it was copied from where one stands on, or a single cell all over the selected ones. */
function paste(event: ClipboardEvent) {
  if ((event.target as HTMLElement).closest?.('input, textarea')) return
  const copied = cells(event.clipboardData?.getData('text/plain') ?? '')
  if (!copied.length) return
  event.preventDefault()
  const { top, left } = reach()
  const only = copied.length === 1 && copied[0]!.length === 1 ? copied[0]![0]! : null
  if (only !== null) return void set(chosen().flat(), () => only)
  const placed = copied.flatMap((line, down) =>
    line.flatMap((text, right) => {
      const [track, cue] = [rows.value[top + down], desk.cues[left + right]]
      return cue && track ? [{ cue, track, text }] : []
    }),
  )
  void set(placed, (cell) => cell.text)
}
onMounted(() => addEventListener('paste', paste))
onBeforeUnmount(() => removeEventListener('paste', paste))

const names = computed(() => desk.cues.map((cue) => cue.name).join('|'))
/** All that a row shows: while that stays the same it is not drawn anew. */
function seen(track: Track, r: number) {
  const here = sheet.row.value === r
  const at = sheet.range.value
  const levels = desk.cues.map((cue) => `${words(cue, track)}${sendOf(cue, track)?.muted ? '-' : ''}`)
  return [
    `${r} ${track.name}`,
    names.value,
    levels.join(),
    unheard(track),
    here ? sheet.column.value : -1,
    here && editing.value,
    here ? draft.value : '',
    at && r >= at.top && r <= at.bottom ? `${at.left} ${at.right}` : '',
    sheet.whole.value.has(track.id),
  ]
}

const commit = (down: number, right: number) => void sheet.commit(draft.value, down, right)
</script>

<template>
  <div class="bar">
    <SelectedSends v-if="selected.length" :cells="selected" @let-go="sheet.letGo" />
    <span v-else class="soft">
      Type a level, <kbd>Enter</kbd> for the next row. Select cells with <kbd>Shift</kbd>: type one level for all of
      them, copy and paste, <kbd>Ctrl D</kbd> fills down, <kbd>Delete</kbd> switches off.
    </span>
  </div>
  <div ref="box" class="sheet all" :class="{ many: desk.cues.length > ROOMY }">
    <table
      ref="grid"
      role="grid"
      aria-label="Levels in all cues, dB"
      :aria-rowcount="rows.length + 1"
      @keydown="sheet.key"
      @copy="copy"
    >
      <thead>
        <tr>
          <th class="track">
            <button class="plain" title="Select all rows" aria-label="Select all rows" @click="sheet.pickAll">
              Track
            </button>
          </th>
          <th v-for="cue in desk.cues" :key="cue.id" class="cue">
            <button class="plain name" :title="`Show ${cue.name} alone`" @click="emit('show', cue.id)">
              {{ cue.name }}
            </button>
            <span v-if="silent(cue)" class="flare">hears nobody</span>
            <CueReading v-else-if="desk.live" :cue="cue.id" />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="above" aria-hidden="true" :style="{ height: `${above}px` }"></tr>
        <tr
          v-for="{ track, r } in inSight"
          :key="track.id"
          v-memo="seen(track, r)"
          :data-row="track.id"
          :aria-rowindex="r + 2"
        >
          <th scope="row" class="track">
            <button
              class="plain"
              :aria-pressed="sheet.whole.value.has(track.id)"
              :title="`Select ${track.name} in all mixes`"
              @click="sheet.pickRow(r, $event)"
            >
              {{ track.name }}
            </button>
            <span v-if="unheard(track)" class="soft"> heard in no mix</span>
          </th>
          <td
            v-for="({ cue, shown: level }, c) in columns"
            :key="cue.id"
            role="gridcell"
            class="level"
            :class="{
              at: sheet.isAt(r, c),
              taken: sheet.isIn(r, c) || sheet.whole.value.has(track.id),
              muted: sendOf(cue, track)?.muted,
            }"
            :style="tint(cue, track)"
            :data-cell="`${r}/${c}`"
            :tabindex="sheet.isAt(r, c) ? 0 : -1"
            :aria-selected="sheet.isIn(r, c) || sheet.whole.value.has(track.id)"
            :aria-label="`${track.name} in ${cue.name}: ${level(track) || 'not in this mix'}${sendOf(cue, track)?.muted ? ', muted' : ''}`"
            @focus="sheet.isAt(r, c) || sheet.go(r, c)"
            @mousedown="sheet.pressCell(r, c, $event)"
            @mouseenter="sheet.dragOver(r, c, $event)"
            @dblclick="sheet.begin()"
          >
            <input
              v-if="editing && sheet.isAt(r, c)"
              v-model="draft"
              class="field"
              :aria-label="`${track.name} in ${cue.name}, in dB`"
              @keydown.enter.stop.prevent="commit($event.shiftKey ? -1 : 1, 0)"
              @keydown.tab.stop.prevent="commit(0, $event.shiftKey ? -1 : 1)"
              @keydown.esc.stop="sheet.cancel"
              @blur="commit(0, 0)"
            />
            <span v-else>{{ level(track) || '·' }}</span>
          </td>
        </tr>
        <tr v-if="below" aria-hidden="true" :style="{ height: `${below}px` }" />
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
  min-height: 30px;
}

.all {
  --column: 140px;
  align-self: flex-start;
  max-width: 100%;
}

.all.many {
  --column: 84px;
}

table {
  width: auto;
}

.track {
  position: sticky;
  left: 0;
  z-index: 1;
  min-width: 190px;
  max-width: 240px;
  overflow: hidden;
  background: var(--sheet);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}

tbody .track {
  top: auto;
  padding: 0 8px;
  border-bottom: 1px solid var(--rule);
  color: var(--ink);
  font-size: inherit;
  font-weight: 600;
}

.track .soft {
  font-size: 12px;
  font-weight: 400;
}

thead .track {
  z-index: 3;
  background: var(--raised);
}

.cue {
  width: var(--column);
  max-width: var(--column);
  text-align: right;
  vertical-align: bottom;
}

.name {
  display: block;
  width: 100%;
  overflow: hidden;
  color: var(--ink);
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.level {
  --tint: 0%;
  min-width: var(--column);
  background: color-mix(in srgb, var(--glow) var(--tint), transparent);
  text-align: right;
  font-variant-numeric: tabular-nums;
  cursor: cell;
}

.level.muted {
  color: var(--soft);
  text-decoration: line-through;
}

.level.at,
.level.taken {
  box-shadow: inset 0 0 0 1px var(--sea);
}

.level:focus {
  outline: 2px solid var(--sea);
  outline-offset: -2px;
}

.field {
  width: 100%;
  text-align: right;
}
</style>
