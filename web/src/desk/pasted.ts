const quoted = (cell: string) => (/["\t\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)

/** Cells as a spreadsheet takes them: tabs between them, quotes around those that hold some. */
export const lines = (rows: string[][]) => rows.map((row) => row.map(quoted).join('\t')).join('\n')

/** Tabs, as spreadsheets copy; semicolons if there are as many of them in every line. */
function between(text: string) {
  if (text.includes('\t')) return '\t'
  const counts = text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => line.split(';').length)
  return counts[0]! > 1 && counts.every((count) => count === counts[0]) ? ';' : '\t'
}

/** Cells copied from a spreadsheet, quotes and line breaks within them kept; empty rows are left out. */
export function cells(text: string): string[][] {
  const rows: string[][] = [[]]
  const plainly = text.replace(/\r\n?/g, '\n')
  const delimiter = between(plainly)
  const cell = new RegExp(`(?:"((?:[^"]|"")*)"|([^${delimiter}\\n]*))(${delimiter}|\\n|$)`, 'g')
  for (const [, quote, plain, end] of plainly.matchAll(cell)) {
    rows.at(-1)!.push((quote?.replaceAll('""', '"') ?? plain ?? '').trim())
    if (end === '\n') rows.push([])
    if (end === '') break
  }
  return rows.filter((row) => row.some((each) => each !== ''))
}
