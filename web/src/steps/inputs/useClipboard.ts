import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'
import type { Input } from '@/api/client'
import type { Column } from './columns'
import type { Range } from '@/parts/useSheet'

const quoted = (cell: string) => (/["\t\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
const lines = (rows: string[][]) => rows.map((row) => row.map(quoted).join('\t')).join('\n')

/** Cells pasted from a spreadsheet, quotes and line breaks within them kept. */
function cells(text: string): string[][] {
  const rows: string[][] = [[]]
  for (const [, quote, plain, end] of text
    .replace(/\r\n?/g, '\n')
    .matchAll(/(?:"((?:[^"]|"")*)"|([^\t\n]*))(\t|\n|$)/g)) {
    rows.at(-1)!.push((quote?.replaceAll('""', '"') ?? plain ?? '').trim())
    if (end === '\n') rows.push([])
    if (end === '') break
  }
  return rows.filter((row) => row.some((cell) => cell !== ''))
}

/** Rectangles to and from a spreadsheet. What is pasted is previewed row by row before anything changes. */
export function useClipboard(options: {
  rows: Ref<Input[]>
  columns: Ref<Column[]>
  at: () => { row: number; column: number; whole: Set<string>; range: Range | null }
}) {
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

  /** A rectangle with a row of titles is a list of its own; one without begins in the cell one stands in. */
  function paste(event: ClipboardEvent) {
    if ((event.target as HTMLElement).closest?.('input, textarea')) return
    const rectangle = cells(event.clipboardData?.getData('text/plain') ?? '')
    if (rectangle.length === 0) return
    event.preventDefault()
    const titled = rectangle[0]!.some((cell) => cell.toLowerCase() === 'source')
    const table = titled ? rectangle : placed(rectangle)
    pasted.value = new File([lines(table)], 'clipboard', { type: 'text/csv' })
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
