import { computed, nextTick, ref, type Ref } from 'vue'

/** What a sheet needs to know of a column: what stands in a cell, and whether it is chosen from a list. */
interface Cells<Row> {
  shown: (row: Row) => string
  options?: unknown
}

/** The cells that are selected, ends included. */
export interface Range {
  top: number
  bottom: number
  left: number
  right: number
}

/** Moving about in a sheet, selecting rows and cells, and writing in them, by keyboard as in a spreadsheet. */
export function useSheet<Row extends { id: string }, Column extends Cells<Row>>(options: {
  grid: Ref<HTMLElement | undefined>
  rows: Ref<Row[]>
  columns: Ref<Column[]>
  write: (row: Row, column: Column, value: string) => Promise<unknown>
  countUp: () => unknown
  fillDown: () => unknown
  clear: () => unknown
  move: (by: number) => unknown
  insert: () => unknown
  remove: () => unknown
  /** Draws a row that may be out of sight. */
  show: (row: number) => Promise<void>
}) {
  const { grid, rows, columns, write } = options
  const row = ref(0)
  const column = ref(0)
  /** The cell from which a range of cells goes to the one that one stands in. */
  const corner = ref<{ row: number; column: number } | null>(null)
  const anchor = ref(0)
  const editing = ref(false)
  const draft = ref('')
  /** The rows that were selected as a whole. */
  const whole = ref(new Set<string>())

  const range = computed((): Range | null => {
    const from = corner.value
    if (!from || (from.row === row.value && from.column === column.value)) return null
    return {
      top: Math.min(from.row, row.value),
      bottom: Math.max(from.row, row.value),
      left: Math.min(from.column, column.value),
      right: Math.max(from.column, column.value),
    }
  })
  /** The rows that something is done to: those of the range, or those selected as a whole. */
  const picked = computed(() => {
    const at = range.value
    if (!at) return whole.value
    return new Set(rows.value.slice(at.top, at.bottom + 1).map((each) => each.id))
  })
  const selected = computed(() => rows.value.filter((each) => picked.value.has(each.id)).map((each) => each.id))

  const isAt = (r: number, c: number) => row.value === r && column.value === c
  function isIn(r: number, c: number) {
    const at = range.value
    return at !== null && r >= at.top && r <= at.bottom && c >= at.left && c <= at.right
  }

  function letGo() {
    corner.value = null
    whole.value = new Set()
  }

  /** A press on a cell: stands there, or takes the range with Shift; so does moving on with the button down. */
  function pressCell(r: number, c: number, event: MouseEvent) {
    if (event.button !== 0 || (editing.value && isAt(r, c))) return
    leave()
    if (event.shiftKey) {
      event.preventDefault()
      return extend(r, c)
    }
    corner.value = null
    void go(r, c)
  }

  /** What was typed stays in its cell; what is to be chosen from a list and was not, is not taken. */
  function leave() {
    if (columns.value[column.value]?.options) editing.value = false
    else void commit(draft.value)
  }

  function dragOver(r: number, c: number, event: MouseEvent) {
    if (event.buttons !== 1 || editing.value || isAt(r, c)) return
    getSelection()?.removeAllRanges()
    void extend(r, c)
  }

  function extend(r: number, c: number) {
    whole.value = new Set()
    corner.value ??= { row: row.value, column: column.value }
    return go(r, c)
  }

  async function focus() {
    await options.show(row.value)
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
    whole.value = new Set(rows.value.slice(low, high + 1).map((each) => each.id))
  }

  /** A press on a row's number: alone, a range with Shift, one more with Ctrl. What is typed then goes into that row. */
  function pickRow(at: number, event: MouseEvent) {
    const id = rows.value[at]!.id
    corner.value = null
    row.value = at
    if (event.shiftKey) return pickRange(at)
    anchor.value = at
    const next = event.ctrlKey || event.metaKey ? new Set(whole.value) : new Set<string>()
    if (whole.value.has(id) && (next.size > 1 || whole.value.size === 1)) next.delete(id)
    else next.add(id)
    whole.value = next
  }

  function pickAll() {
    corner.value = null
    whole.value = whole.value.size === rows.value.length ? new Set() : new Set(rows.value.map((each) => each.id))
  }

  async function begin(first?: string) {
    const here = rows.value[row.value]
    const at = columns.value[column.value]
    if (!here || !at) return
    draft.value = first ?? at.shown(here)
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
    const here = rows.value[row.value]
    const at = columns.value[column.value]
    if (!here || !at) return
    const written = write(here, at, value.trim())
    corner.value = null
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

  /** Keys that come before the field to write in is there. */
  function catchUp(event: KeyboardEvent) {
    const inField = event.target instanceof HTMLInputElement
    if (inField || event.key.length !== 1 || event.ctrlKey || event.metaKey) return
    draft.value += event.key
    event.preventDefault()
  }

  function key(event: KeyboardEvent) {
    if (editing.value) return catchUp(event)
    const move = MOVES[event.key]
    if (event.key === 'Enter' && event.ctrlKey) options.countUp()
    else if (move && event.altKey && move[0]) options.move(move[0])
    else if (event.key === 'd' && event.ctrlKey) options.fillDown()
    else if (event.key === 'Insert') options.insert()
    else if (move && event.shiftKey) void extend(row.value + move[0], column.value + move[1])
    else if (move) {
      corner.value = null
      void go(row.value + move[0], column.value + move[1])
    } else if (event.key === 'Enter' || event.key === 'F2') void begin()
    else if (event.key === 'Home') void go(row.value, 0)
    else if (event.key === 'End') void go(row.value, columns.value.length - 1)
    else if (event.key === 'Escape') letGo()
    else if (event.key === 'Delete' && whole.value.size) options.remove()
    else if (event.key === 'Delete' || event.key === 'Backspace') options.clear()
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
    whole,
    range,
    isAt,
    isIn,
    letGo,
    pressCell,
    dragOver,
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
