/**
 * What is typed over in a neighbouring row of the same column, past rows that have none; without a table, or at its end, nothing.
 *
 * @param kind what stands in `data-typed` of what is looked for
 */
export function inNextRow(from: Element | undefined, kind: string, by: 1 | -1): HTMLElement | undefined {
  const cell = from?.closest('td')
  const siblings = { [1]: 'nextElementSibling', [-1]: 'previousElementSibling' } as const
  let row = cell?.parentElement?.[siblings[by]]
  while (cell && row) {
    const there = (row as HTMLTableRowElement).cells[cell.cellIndex]?.querySelector<HTMLElement>(`[data-typed=${kind}]`)
    if (there) return there
    row = row[siblings[by]]
  }
  return undefined
}

/** Where a key leads from a box in a column: Enter and down on, up and Shift Enter back. */
export function stepOf({ key, shiftKey }: KeyboardEvent): 1 | -1 | undefined {
  if (key === 'ArrowUp' || (key === 'Enter' && shiftKey)) return -1
  return key === 'ArrowDown' || key === 'Enter' ? 1 : undefined
}
