<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, type Found, type Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import LevelHistory from '@/parts/LevelHistory.vue'
import LevelIn from '@/parts/LevelIn.vue'
import LitSheet from '@/parts/LitSheet.vue'
import { useSheet } from '@/parts/useSheet'
import { useWindow } from '@/parts/useWindow'
import RowTrouble from '@/steps/readiness/RowTrouble.vue'
import CellEditor from './CellEditor.vue'
import CellWords from './CellWords.vue'
import ColumnsMenu from './ColumnsMenu.vue'
import CutSwitch from './CutSwitch.vue'
import { decimal } from '@/desk/written'
import { useColumns, type Column } from './columns'
import ImportDialog from './ImportDialog.vue'
import ListTools from './ListTools.vue'
import PatchGrid from './PatchGrid.vue'
import RowNumber from './RowNumber.vue'
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
  show: (at) => list.show(at),
})
const { pasted, copy } = useClipboard({
  rows: computed(() => desk.inputs),
  columns,
  at: () => ({ row: sheet.row.value, column: sheet.column.value, whole: sheet.whole.value, range: sheet.range.value }),
})
/** The column after which an input's level stands: beside its gain wherever that is. */
const metered = computed(() => (keys.value.includes('gain') ? 'gain' : 'source'))
/** The input whose gain one is at: its level is drawn as it goes on. */
const gained = computed(() =>
  desk.live && columns.value[sheet.column.value]?.key === 'gain' ? desk.inputs[sheet.row.value] : undefined,
)
const TROUBLE = 27
const list = useWindow(
  () => desk.inputs,
  (input) => TROUBLE * unsaid(input, desk.troubles.get(`input/${input.id}`) ?? []),
)
/** What is drawn, each with its place in the list. */
const inSight = computed(() => list.drawn.value.map((input, index) => ({ input, r: list.first.value + index })))
const { sheet: box, above, below } = list
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

const unsaid = (input: Input, found: Found[]) =>
  found.filter((each) => !saidBy(input).some((said) => said === each.topic)).length

/** The rules whose findings an input's own cells tell. */
function saidBy(input: Input) {
  const isShown = (key: string) => keys.value.includes(key)
  const noPort = input.ports.length === 0 && isShown('port') ? (['no-port'] as const) : []
  const noTrack = !desk.inputStandingOf(input.id).tracks && isShown('track') ? (['no-track'] as const) : []
  return [...noPort, ...noTrack]
}

function dropFile(event: DragEvent) {
  dragged.value = false
  file.value = event.dataTransfer?.files[0] ?? null
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
      ><div ref="box" class="sheet">
        <table
          ref="grid"
          role="grid"
          aria-label="Input list"
          :aria-rowcount="desk.inputs.length + 1"
          @keydown="sheet.key"
          @copy="copy"
        >
          <thead>
            <tr>
              <th class="number">
                <button class="plain" title="Select all rows" aria-label="Select all rows" @click="sheet.pickAll">
                  No.
                </button>
              </th>
              <template v-for="column in columns" :key="column.key">
                <th :style="{ width: column.width }" :class="{ number: column.number }">{{ column.title }}</th>
                <th v-if="column.key === metered" class="peak" title="The box is where peaks should reach">
                  Level in, dBFS
                </th>
              </template>
              <th class="cut"><span class="hidden">Cut</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-if="above" aria-hidden="true" :style="{ height: `${above}px` }"></tr>
            <template v-for="{ input, r } in inSight" :key="input.id">
              <tr
                :class="{ picked: whole.has(input.id) }"
                :aria-selected="selected.includes(input.id)"
                :data-row="input.id"
                :aria-rowindex="r + 2"
                @dragover.prevent
                @drop.stop.prevent="drop(input.id)"
              >
                <td class="number" @click="sheet.pickRow(r, $event)">
                  <RowNumber :input="input" @drag="(on) => (dragging = on ? input.id : null)" />
                </td>
                <template v-for="(column, c) in columns" :key="column.key">
                  <td
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
                  <td v-if="column.key === metered" class="peak">
                    <LevelIn :light="`input/${input.id}`" :name="input.source" :inputs="[input.id]" />
                  </td>
                </template>
                <td class="cut"><CutSwitch :input="input" /></td>
              </tr>
              <RowTrouble :part="`input/${input.id}`" :said="saidBy(input)" :after="1" :columns="columns.length + 2" />
            </template>
            <tr v-if="below" aria-hidden="true" :style="{ height: `${below}px` }"></tr>
          </tbody>
        </table></div
    ></LitSheet>
    <LevelHistory
      v-if="gained && !inGrid"
      :key="gained.id"
      :light="`input/${gained.id}`"
      :name="gained.source"
      :gain="gained.gainDb"
    />
    <p v-if="inGrid" class="hint">
      Press a crossing to feed the track from that port; drag a diagonal to feed many, a stereo track takes two ports.
      Arrow keys move, <kbd>Space</kbd> feeds.
    </p>
    <p v-else class="hint">
      <strong v-if="desk.holdsEars">
        Ears are held: a gain changes what comes in, and nobody hears it louder or softer.
      </strong>
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

.peak {
  width: 150px;
}

td {
  overflow: hidden;
  text-overflow: ellipsis;
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
