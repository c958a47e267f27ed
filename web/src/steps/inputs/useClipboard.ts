import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'
import type { Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import { cells, lines } from '@/desk/pasted'
import type { Column } from './columns'
import { preview } from './preview'
import type { Range } from '@/parts/useSheet'

/** Rectangles to and from a spreadsheet. What is pasted is previewed row by row before anything changes. */
export function useClipboard(options: {
  rows: Ref<Input[]>
  columns: Ref<Column[]>
  at: () => { row: number; column: number; whole: Set<string>; range: Range | null }
}) {
  const desk = useDesk()
  const pasted = ref<File | null>(null)

  function copy(event: ClipboardEvent) {
    const { row, column, whole, range } = options.at()
    const chosen = options.rows.value.filter((input) => whole.has(input.id))
    const text = chosen.length
      ? lines([
          ['Number', ...options.columns.value.map((each) => each.csv)],
          ...chosen.map((input) => [String(input.number), ...options.columns.value.map((each) => each.shown(input))]),
        ])
      : lines(shownIn(range ?? { top: row, bottom: row, left: column, right: column }))
    event.clipboardData?.setData('text/plain', text)
    event.preventDefault()
  }

  const shownIn = ({ top, bottom, left, right }: Range) =>
    options.rows.value
      .slice(top, bottom + 1)
      .map((input) => options.columns.value.slice(left, right + 1).map((each) => each.shown(input)))

  const table = (rows: string[][]) => new File([lines(rows)], 'clipboard', { type: 'text/csv' })

  /** A rectangle with a row of headings is a list of its own; one without begins in the cell one stands in. */
  async function paste(event: ClipboardEvent) {
    if ((event.target as HTMLElement).closest?.('input, textarea')) return
    const rectangle = cells(event.clipboardData?.getData('text/plain') ?? '')
    if (rectangle.length === 0) return
    event.preventDefault()
    const placedHere = table(placed(rectangle))
    await trying(async () => {
      const list = table(rectangle)
      pasted.value = rectangle.length > 1 && (await preview(desk.session!.id, list)).hasHeadings ? list : placedHere
    })
  }

  /** As it was copied from where one stands on, or a single cell all over the selected ones. */
  function placed(copied: string[][]) {
    const { range, ...standing } = options.at()
    const row = range?.top ?? standing.row
    const column = range?.left ?? standing.column
    const only = copied.length === 1 && copied[0]!.length === 1 ? copied[0]![0]! : null
    const rectangle =
      only !== null && range
        ? Array.from({ length: range.bottom - range.top + 1 }, () =>
            Array.from({ length: range.right - range.left + 1 }, () => only),
          )
        : copied
    const width = Math.max(...rectangle.map((cells) => cells.length))
    const covered = options.columns.value.slice(column, column + width)
    const withSource = covered.some((each) => each.key === 'source')
    const body = rectangle.map((cells, down) => {
      const input = options.rows.value[row + down]
      const own = withSource ? [] : [input?.source ?? '']
      return [String(input?.number ?? ''), ...own, ...covered.map((_, across) => cells[across] ?? '')]
    })
    return [['Number', ...(withSource ? [] : ['Source']), ...covered.map((each) => each.csv)], ...body]
  }

  onMounted(() => addEventListener('paste', paste))
  onBeforeUnmount(() => removeEventListener('paste', paste))

  return { pasted, copy }
}
