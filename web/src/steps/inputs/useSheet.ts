import { computed, nextTick, ref, type Ref } from 'vue'
import type { Input } from '@/api/client'
import type { Column } from './columns'

/** Moving about in the sheet, selecting rows and writing in cells, by keyboard as in a spreadsheet. */
export function useSheet(options: {
  grid: Ref<HTMLElement | undefined>
  rows: Ref<Input[]>
  columns: Ref<Column[]>
  write: (input: Input, column: Column, value: string) => Promise<unknown>
  countUp: () => unknown
  fillDown: (column: Column) => unknown
  move: (by: number) => unknown
  insert: () => unknown
  remove: () => unknown
}) {
  const { grid, rows, columns, write } = options
  const row = ref(0)
  const column = ref(0)
  const anchor = ref(0)
  const editing = ref(false)
  const draft = ref('')
  const picked = ref(new Set<string>())

  const selected = computed(() => rows.value.filter((input) => picked.value.has(input.id)).map((input) => input.id))

  const isAt = (r: number, c: number) => row.value === r && column.value === c

  async function focus() {
    await nextTick()
    grid.value?.querySelector<HTMLElement>(`[data-cell="${row.value}/${column.value}"]`)?.focus()
  }

  function go(toRow: number, toColumn: number) {
    row.value = Math.max(0, Math.min(rows.value.length - 1, toRow))
    column.value = Math.max(0, Math.min(columns.value.length - 1, toColumn))
    return focus()
  }

  function pickRange(to: number) {
    const [low, high] = [Math.min(anchor.value, to), Math.max(anchor.value, to)]
    picked.value = new Set(rows.value.slice(low, high + 1).map((input) => input.id))
  }

  /** A press on a row's number: alone, a range with Shift, one more with Ctrl. */
  function pickRow(at: number, event: MouseEvent) {
    const id = rows.value[at]!.id
    if (event.shiftKey) return pickRange(at)
    anchor.value = at
    const next = event.ctrlKey || event.metaKey ? new Set(picked.value) : new Set<string>()
    if (picked.value.has(id) && (next.size > 1 || picked.value.size === 1)) next.delete(id)
    else next.add(id)
    picked.value = next
  }

  function pickAll() {
    picked.value = picked.value.size === rows.value.length ? new Set() : new Set(rows.value.map((input) => input.id))
  }

  async function begin(first?: string) {
    const input = rows.value[row.value]
    const at = columns.value[column.value]!
    if (!input) return
    draft.value = first ?? at.shown(input)
    editing.value = true
    await nextTick()
    const box = grid.value?.querySelector<HTMLInputElement>('[data-cell] input')
    box?.focus()
    if (!box || (first === undefined && at.options)) return
    if (first === undefined) box.select()
    else if (at.options) {
      box.value = first
      box.dispatchEvent(new Event('input'))
    }
  }

  async function commit(value: string, down = 0, right = 0) {
    if (!editing.value) return
    editing.value = false
    const input = rows.value[row.value]!
    const at = columns.value[column.value]!
    const written = write(input, at, value.trim())
    await go(row.value + down, column.value + right)
    await written
  }

  function cancel() {
    editing.value = false
    void focus()
  }

  /** A list of choices closes before it says what was chosen. */
  function closed() {
    setTimeout(() => editing.value && cancel())
  }

  const MOVES: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  }

  function key(event: KeyboardEvent) {
    if (editing.value) return
    const move = MOVES[event.key]
    if (event.key === 'Enter' && event.ctrlKey) options.countUp()
    else if (move && event.altKey && move[0]) options.move(move[0])
    else if (event.key === 'd' && event.ctrlKey) options.fillDown(columns.value[column.value]!)
    else if (event.key === 'Insert') options.insert()
    else if (move && event.shiftKey && move[0]) {
      if (picked.value.size === 0) anchor.value = row.value
      void go(row.value + move[0], column.value)
      pickRange(row.value)
    } else if (move) void go(row.value + move[0], column.value + move[1])
    else if (event.key === 'Enter' || event.key === 'F2') void begin()
    else if (event.key === 'Home') void go(row.value, 0)
    else if (event.key === 'End') void go(row.value, columns.value.length - 1)
    else if (event.key === 'Escape') picked.value = new Set()
    else if (event.key === 'Delete' && picked.value.size) options.remove()
    else if (event.key === 'a' && event.ctrlKey) pickAll()
    else if (event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey) {
      void begin(event.key)
    } else return
    event.preventDefault()
    event.stopPropagation()
  }

  return {
    row,
    column,
    editing,
    draft,
    selected,
    picked,
    isAt,
    go,
    pickRow,
    pickAll,
    begin,
    commit,
    cancel,
    closed,
    key,
  }
}
