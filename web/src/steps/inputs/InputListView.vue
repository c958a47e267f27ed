<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import LitSheet from '@/parts/LitSheet.vue'
import LampLight from '@/parts/LampLight.vue'
import { usePortions } from '@/parts/usePortions'
import { useSheet } from '@/parts/useSheet'
import RowTrouble from '@/steps/readiness/RowTrouble.vue'
import CellEditor from './CellEditor.vue'
import CellWords from './CellWords.vue'
import ColumnsMenu from './ColumnsMenu.vue'
import { decimal, useColumns, type Column } from './columns'
import ImportDialog from './ImportDialog.vue'
import ListTools from './ListTools.vue'
import PatchGrid from './PatchGrid.vue'
import { useClipboard } from './useClipboard'
import { useRows } from './useRows'
import { useShownColumns } from './useShownColumns'

const desk = useDesk()
const grid = ref<HTMLElement>()
const file = ref<File | null>(null)
const dragged = ref(false)

const { columns: all, arrival } = useColumns()
const { keys, shown: columns, show } = useShownColumns(all)
const { dragging, add, makeTracks, drop, ...rows } = useRows(columns, () => sheet)
const sheet = useSheet({
  grid,
  rows: computed(() => desk.inputs),
  columns,
  write,
  countUp: rows.countUp,
  fillDown: rows.fillDown,
  clear: rows.clear,
  move: rows.move,
  insert: rows.insert,
  remove: rows.remove,
})
const { pasted, copy } = useClipboard({
  rows: computed(() => desk.inputs),
  columns,
  at: () => ({ row: sheet.row.value, column: sheet.column.value, whole: sheet.whole.value, range: sheet.range.value }),
})
const portion = usePortions(() => desk.inputs)
const inGrid = ref(false)
const { editing, draft, selected, whole } = sheet

async function write(input: Input, column: Column, value: string) {
  const was = column.chosen ? column.chosen(input) : column.shown(input)
  if (value === was) return
  if (column.number && !Number.isFinite(decimal(value))) {
    tell(`"${value}" is no number. ${column.title} takes one.`)
    return
  }
  if (column.key === 'port') return move(input, value ? value.split('|') : [])
  return trying(async () => desk.editGains(await column.edits(input, value)))
}

/** Patches an input elsewhere and says when its cable may be moved. */
function move(input: Input, ports: string[]) {
  return trying(async () => {
    const params = { path: { session: desk.session!.id } }
    const moved = await api.POST('/api/sessions/{session}/preamps/move', { params, body: { input: input.id, ports } })
    if ((await desk.edit(moved.data!.edits)) && moved.data!.say) tell(moved.data!.say)
  })
}

/** The rules whose findings an input's own cells tell. */
function saidBy(input: Input) {
  const isShown = (key: string) => keys.value.includes(key)
  const noPort = input.ports.length === 0 && isShown('port') ? ['input-without-port'] : []
  const noTrack = !desk.inputStandingOf(input.id).tracks && isShown('track') ? ['input-without-track'] : []
  return [...noPort, ...noTrack]
}

function dropFile(event: DragEvent) {
  dragged.value = false
  file.value = event.dataTransfer?.files[0] ?? null
}

function renumber(input: Input, event: Event) {
  const box = event.target as HTMLInputElement
  const number = Number(box.value)
  box.value = String(input.number)
  if (!Number.isInteger(number)) tell('Inputs are numbered from 1 to 999.')
  else if (number !== input.number) void desk.edit([{ kind: 'number-input', input: input.id, number }])
}
</script>

<template>
  <section
    class="step"
    :class="{ dragged }"
    @dragover.prevent="dragged = dragging === null"
    @dragleave="dragged = false"
    @drop.prevent="dropFile"
  >
    <ListTools
      v-model:in-grid="inGrid"
      :selected="selected.length"
      :mappable="desk.unmapped.length > 0"
      @count-up="rows.countUp"
      @spare="rows.toASpare"
      @remove="rows.remove"
      @make-tracks="makeTracks"
      @add="add()"
      @take="(chosen) => (file = chosen)"
    >
      <ColumnsMenu v-if="!inGrid" :all="all" :shown="keys" @change="show" />
    </ListTools>

    <PatchGrid v-if="inGrid" />
    <p v-else-if="desk.inputs.length === 0" class="soft empty">
      No inputs yet. Add the first, paste a column of sources from a spreadsheet, or drop a CSV file here; a file's
      first row names the columns, one of them "Source".
    </p>
    <LitSheet v-else
      ><div class="sheet">
        <table ref="grid" role="grid" aria-label="Input list" @keydown="sheet.key" @copy="copy">
          <thead>
            <tr>
              <th class="number">
                <button class="plain" title="Select all rows" aria-label="Select all rows" @click="sheet.pickAll">
                  No.
                </button>
              </th>
              <th><span class="hidden">Level</span></th>
              <th
                v-for="column in columns"
                :key="column.key"
                :style="{ width: column.width }"
                :class="{ number: column.number }"
              >
                {{ column.title }}
              </th>
              <th class="cut"><span class="hidden">Cut</span></th>
            </tr>
          </thead>
          <tbody>
            <template v-for="(input, r) in portion" :key="input.id">
              <tr
                :class="{ picked: whole.has(input.id) }"
                :aria-selected="selected.includes(input.id)"
                @dragover.prevent
                @drop.stop.prevent="drop(input.id)"
              >
                <td class="number" @click="sheet.pickRow(r, $event)">
                  <input
                    class="plain no"
                    :value="input.number"
                    :aria-label="`Number of ${input.source}`"
                    @change="renumber(input, $event)"
                    @keydown.stop
                    @click.stop
                  />
                  <span
                    class="grip"
                    title="Select this row, or drag it elsewhere"
                    aria-hidden="true"
                    draggable="true"
                    @dragstart="dragging = input.id"
                    @dragend="dragging = null"
                  ></span>
                </td>
                <td><LampLight :light="`input/${input.id}`" /></td>
                <td
                  v-for="(column, c) in columns"
                  :key="column.key"
                  role="gridcell"
                  :class="{
                    number: column.number,
                    at: sheet.isAt(r, c),
                    taken: sheet.isIn(r, c),
                    strong: column.key === 'source',
                  }"
                  :data-cell="`${r}/${c}`"
                  :tabindex="sheet.isAt(r, c) ? 0 : -1"
                  :aria-selected="sheet.isIn(r, c) || whole.has(input.id)"
                  @focus="sheet.isAt(r, c) || sheet.go(r, c)"
                  @mousedown="sheet.pressCell(r, c, $event)"
                  @mouseenter="sheet.dragOver(r, c, $event)"
                  @dblclick="sheet.begin()"
                >
                  <template v-if="editing && sheet.isAt(r, c)">
                    <CellEditor
                      v-model:draft="draft"
                      :input="input"
                      :column="column"
                      @commit="sheet.commit"
                      @cancel="sheet.cancel"
                      @closed="sheet.closed"
                    />
                  </template>
                  <CellWords
                    v-else
                    :input="input"
                    :column="column"
                    :shown="keys"
                    :arrival="column.key === 'port' ? arrival(input) : ''"
                    :standing="column.key === 'gain' ? desk.inputStandingOf(input.id).gain : ''"
                  />
                </td>
                <td class="cut">
                  <span
                    v-if="desk.inputStandingOf(input.id).silent"
                    class="soft"
                    title="Nobody hears it while a switch is thrown at its preamp"
                  >
                    silent
                  </span>
                  <button
                    v-else
                    class="word"
                    :aria-pressed="input.cut"
                    :aria-label="`Cut ${input.source}`"
                    :title="
                      input.cut ? 'Let everyone hear it again' : 'Silence it for every listener; recording goes on'
                    "
                    @click="desk.edit([{ kind: 'cut-input', input: input.id, cut: !input.cut }])"
                  >
                    cut
                  </button>
                </td>
              </tr>
              <RowTrouble
                :part="`input/${input.id}`"
                :own="`Input ${input.number}, ${input.source}, `"
                :said="saidBy(input)"
                :after="2"
                :columns="columns.length + 1"
              />
            </template>
          </tbody>
        </table></div
    ></LitSheet>
    <p v-if="inGrid" class="hint">
      Press a crossing to feed the track from that port; drag a diagonal to feed many, a stereo track takes two ports.
      Arrow keys move, <kbd>Space</kbd> feeds.
    </p>
    <p v-else class="hint">
      Type to change a cell, <kbd>Enter</kbd> for the next row. Select cells with <kbd>Shift</kbd> and arrows, rows by
      their numbers: copy and paste to and from a spreadsheet, <kbd>Ctrl D</kbd> fills down,
      <kbd>Ctrl Enter</kbd> counts their ports up, <kbd>Delete</kbd> clears. <kbd>Insert</kbd> a row,
      <kbd>Alt ↑ ↓</kbd> moves it.
    </p>
    <ImportDialog v-model:file="file" />
    <ImportDialog v-model:file="pasted" />
  </section>
</template>

<style scoped>
.dragged .sheet,
.dragged .empty {
  padding: 40px;
  border: 1px dashed var(--rule-strong);
  border-radius: 8px;
  text-align: center;
}

table {
  table-layout: fixed;
}

th:first-child {
  width: 58px;
}

th:nth-child(2) {
  width: 30px;
}

td {
  overflow: hidden;
  text-overflow: ellipsis;
}

.no {
  width: 26px;
  text-align: right;
  cursor: text;
  color: var(--soft);
}

.grip {
  display: inline-block;
  width: 8px;
  height: 14px;
  margin-left: 6px;
  vertical-align: -2px;
  border-left: 2px dotted var(--faint);
  cursor: pointer;
}

td.at {
  box-shadow: inset 0 0 0 1px var(--rule-strong);
}

td:focus {
  outline: 2px solid var(--sea);
  outline-offset: -2px;
}

.cut {
  width: 52px;
  padding: 0 6px;
}

.strong {
  font-weight: 600;
}

.picked td,
td.taken {
  background: var(--glow-weak);
}
</style>
