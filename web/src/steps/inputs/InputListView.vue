<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, type Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { freshId } from '@/desk/ids'
import { tell, trying } from '@/desk/notice'
import LampLight from '@/parts/LampLight.vue'
import { useColumns, type Column } from './columns'
import ImportDialog from './ImportDialog.vue'
import { useSheet } from './useSheet'

const desk = useDesk()
const grid = ref<HTMLElement>()
const file = ref<File | null>(null)
const chooser = ref<HTMLInputElement>()
const dragged = ref(false)

const { columns, arrival, clash } = useColumns()
const sheet = useSheet({
  grid,
  rows: computed(() => desk.inputs),
  columns,
  write,
  countUp,
  remove,
})
const { editing, draft, selected, picked } = sheet

const summary = computed(() => {
  const powered = desk.inputs.filter((input) => input.phantom === 'on').length
  const open = desk.inputs.filter((input) => !input.port).length
  if (desk.inputs.length === 0) return ''
  return `${desk.inputs.length} ${desk.inputs.length === 1 ? 'input' : 'inputs'}, ${open ? `${open} without a port` : 'all with a port'}, ${powered} want +48 V`
})

function write(input: Input, column: Column, value: string) {
  const was = column.chosen ? column.chosen(input) : column.shown(input)
  if (value === was) return Promise.resolve()
  if (column.key === 'gain' && !Number.isFinite(Number(value.replace(',', '.').replace('−', '-')))) {
    tell(`"${value}" is no gain. Type a number of dB.`)
    return Promise.resolve()
  }
  return desk.edit(column.edits(input, value))
}

function countUp() {
  return trying(async () => {
    const params = { path: { session: desk.session!.id } }
    const body = { inputs: selected.value }
    const proposed = await api.POST('/api/sessions/{session}/input-list/count-up', { params, body })
    await desk.edit(proposed.data!.edits)
  })
}

async function add() {
  const number = Math.max(0, ...desk.inputs.map((input) => input.number)) + 1
  const source = `Source ${number}`
  if (await desk.edit([{ kind: 'add-input', input: freshId(source, desk.inputs), number, source }])) {
    await sheet.go(desk.inputs.length, 0)
  }
}

async function remove() {
  if (await desk.edit(selected.value.map((input) => ({ kind: 'remove-input', input })))) picked.value = new Set()
}

function choose(event: Event) {
  const chooser = event.target as HTMLInputElement
  file.value = chooser.files?.[0] ?? null
  chooser.value = ''
}

function drop(event: DragEvent) {
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

const filter = (pattern: string, option: { label?: unknown; value?: unknown }) =>
  String(option.label).toLowerCase().includes(pattern.toLowerCase())
</script>

<template>
  <section
    class="step"
    :class="{ dragged }"
    @dragover.prevent="dragged = true"
    @dragleave="dragged = false"
    @drop.prevent="drop"
  >
    <header>
      <h1>Input list</h1>
      <span class="soft">{{ summary }}</span>
      <span class="fill"></span>
      <template v-if="selected.length">
        <span class="soft">{{ selected.length }} selected</span>
        <NButton size="small" title="Ctrl Enter" @click="countUp">Count up ports</NButton>
        <NButton size="small" @click="remove">Remove</NButton>
      </template>
      <NButton size="small" @click="chooser?.click()">Import CSV</NButton>
      <NButton size="small" tag="a" :href="`/api/sessions/${desk.session!.id}/input-list.csv`" download
        >Export CSV</NButton
      >
      <NButton size="small" type="primary" @click="add">Add input</NButton>
      <input
        ref="chooser"
        class="hidden"
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        aria-label="CSV file to import"
        @change="choose"
      />
    </header>

    <p v-if="desk.inputs.length === 0" class="soft empty">
      No inputs yet. Add the first, or drop a CSV file here; its first row names the columns, one of them "Source".
    </p>
    <div v-else class="sheet">
      <table ref="grid" role="grid" aria-label="Input list" @keydown="sheet.key">
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
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(input, r) in desk.inputs"
            :key="input.id"
            :class="{ picked: picked.has(input.id) }"
            :aria-selected="picked.has(input.id)"
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
              <span class="grip" title="Select this row" aria-hidden="true"></span>
            </td>
            <td><LampLight :light="`input/${input.id}`" /></td>
            <td
              v-for="(column, c) in columns"
              :key="column.key"
              role="gridcell"
              :class="{ number: column.number, at: sheet.isAt(r, c), strong: column.key === 'source' }"
              :data-cell="`${r}/${c}`"
              :tabindex="sheet.isAt(r, c) ? 0 : -1"
              @focus="sheet.isAt(r, c) || sheet.go(r, c)"
              @dblclick="sheet.begin()"
            >
              <template v-if="editing && sheet.isAt(r, c)">
                <NSelect
                  v-if="column.options"
                  size="small"
                  filterable
                  default-value-on-clear=""
                  :show="true"
                  :tag="column.open"
                  :filter="filter"
                  :value="column.chosen!(input)"
                  :options="column.options(input)"
                  :consistent-menu-width="false"
                  :input-props="{ 'aria-label': `${column.title} of ${input.source}` }"
                  @update:value="(value: string) => sheet.commit(value)"
                  @update:show="(shown: boolean) => shown || sheet.closed()"
                  @blur="sheet.closed()"
                  @keydown.esc.stop="sheet.cancel()"
                />
                <input
                  v-else
                  v-model="draft"
                  class="field"
                  :aria-label="`${column.title} of ${input.source}`"
                  @keydown.enter.stop.prevent="sheet.commit(draft, 1)"
                  @keydown.tab.stop.prevent="sheet.commit(draft, 0, $event.shiftKey ? -1 : 1)"
                  @keydown.esc.stop.prevent="sheet.cancel()"
                  @keydown.stop
                  @blur="sheet.commit(draft)"
                />
              </template>
              <template v-else>
                <span
                  :class="{
                    never: column.key === 'phantom' && input.phantom === 'never',
                    soft: column.key === 'phantom' && input.phantom === 'off',
                  }"
                  >{{ column.shown(input) }}</span
                >
                <template v-if="column.key === 'port'">
                  <span v-if="arrival(input)" class="soft way"> → {{ arrival(input) }}</span>
                  <span v-if="clash(input)" class="flare way"> {{ clash(input) }}</span>
                  <span v-if="!input.port" class="soft">no port</span>
                </template>
                <span v-if="column.key === 'track' && !column.shown(input)" class="soft">no track</span>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">
      Type to change a cell, <kbd>Enter</kbd> for the next row. Select rows with <kbd>Shift ↓</kbd> or by their numbers,
      then <kbd>Ctrl Enter</kbd> counts their ports up from the first one's.
    </p>
    <ImportDialog v-model:file="file" />
  </section>
</template>

<style scoped>
.hidden {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}

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

td.number {
  white-space: nowrap;
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

td .field {
  margin: 0 -6px;
  width: calc(100% + 12px);
}

.strong {
  font-weight: 600;
}

.picked td {
  background: var(--glow-weak);
}

.never {
  font-weight: 600;
}

.way {
  font-size: 12.5px;
}
</style>
