import { nextTick, ref, watchEffect, type Ref } from 'vue'
import { api, type Edit } from '@/api/client'
import { placing } from '@/desk/placing'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import type { Range } from '@/parts/useSheet'
import type { Column } from './columns'

/** Where one stands in the sheet and which rows are selected. */
interface Standing {
  row: Ref<number>
  column: Ref<number>
  selected: Ref<string[]>
  range: Ref<Range | null>
  letGo: () => void
  go: (row: number, column: number) => Promise<void>
}

/** What is done to whole rows of the list: adding, moving, filling, counting up, making tracks of them. */
export function useRows(columns: Ref<Column[]>, sheet: () => Standing) {
  const desk = useDesk()
  const dragging = ref<string | null>(null)

  function countUp() {
    const params = { path: { session: desk.session!.id } }
    const body = { inputs: sheet().selected.value }
    return desk.proposed(() => placing(api.POST('/api/sessions/{session}/input-list/count-up', { params, body })))
  }

  async function add(before: string | null = null) {
    const number = Math.max(0, ...desk.inputs.map((input) => input.number)) + 1
    const source = `Source ${number}`
    const input = await desk.freshId('input', source)
    const edits: Edit[] = [{ kind: 'add-input', input, number, source }]
    if (before) edits.push({ kind: 'move-input', input, before })
    if (await desk.edit(edits)) await sheet().go(await placeOf(input), 0)
  }

  /** Where an input stands, as soon as the page is told of it. */
  function placeOf(input: string): Promise<number> {
    return new Promise((found) => {
      const stop = watchEffect(() => {
        const at = desk.inputs.findIndex((each) => each.id === input)
        if (at < 0) return
        found(at)
        void nextTick(() => stop())
      })
    })
  }

  /** A new row in front of the one that one stands in. */
  const insert = () => add(desk.inputs[sheet().row.value]?.id ?? null)

  async function move(by: number) {
    const at = sheet().row.value
    const input = desk.inputs[at]
    const before = desk.inputs[by < 0 ? at - 1 : at + 2]?.id ?? null
    if (!input || (by < 0 ? at === 0 : at === desk.inputs.length - 1)) return
    if (await desk.edit([{ kind: 'move-input', input: input.id, before }]))
      await sheet().go(at + by, sheet().column.value)
  }

  function drop(before: string) {
    const input = dragging.value
    dragging.value = null
    if (input && input !== before) void desk.edit([{ kind: 'move-input', input, before }])
  }

  /** The columns of the selected cells, or the one that one stands in. */
  function columnsThere() {
    const { range, column } = sheet()
    const at = range.value ?? { left: column.value, right: column.value }
    return columns.value.slice(at.left, at.right + 1)
  }

  /** The topmost selected row's cells into those below them. */
  async function fillDown() {
    const [first, ...others] = desk.inputs.filter((input) => sheet().selected.value.includes(input.id))
    if (!first) return tell('Select the cells to fill first; the topmost ones are copied down.')
    return makeAll(
      columnsThere().flatMap((column) => {
        const value = column.chosen ? (column.chosen(first) ?? '') : column.shown(first)
        return others.map((input) => column.edits(input, value))
      }),
    )
  }

  /** Takes away what stands in the selected cells; a source stays, since a row without one is none. */
  function clear() {
    const { range, row } = sheet()
    const at = range.value ?? { top: row.value, bottom: row.value }
    const cells = columnsThere().filter((column) => column.key !== 'source')
    const inputs = desk.inputs.slice(at.top, at.bottom + 1)
    return makeAll(inputs.flatMap((input) => cells.map((column) => column.edits(input, column.cleared ?? ''))))
  }

  const makeAll = (edits: (Edit[] | Promise<Edit[]>)[]) =>
    trying(async () => desk.editGains((await Promise.all(edits)).flat()))

  function makeTracks(stereo: 'one-track' | 'two-panned') {
    const params = { path: { session: desk.session!.id } }
    const body = { inputs: sheet().selected.value, stereo }
    return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/from-inputs', { params, body }))
  }

  /** Moves the selected input to a free port that fits, while the others play on. */
  function toASpare() {
    const input = desk.inputs.find((each) => each.id === sheet().selected.value[0])
    if (!input) return
    return trying(async () => {
      const params = { path: { session: desk.session!.id } }
      const found = await api.POST('/api/sessions/{session}/preamps/spare', { params, body: { input: input.id } })
      if (await desk.edit(found.data!.edits)) {
        sheet().letGo()
        tell(`${input.source} goes into ${found.data!.houseLabel} now. Move its cable, then raise its gain.`)
      }
    })
  }

  async function remove() {
    if (await desk.edit(sheet().selected.value.map((input) => ({ kind: 'remove-input', input })))) sheet().letGo()
  }

  return { dragging, countUp, add, insert, move, drop, fillDown, clear, makeTracks, toASpare, remove }
}
