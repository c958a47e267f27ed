import type { PageState } from '@/api/client'

/** How this browser shows sessions, remembered: the list's columns for all, folded folders and the last step for each. */
const COLUMNS = 'lantern-input-columns'
const folded = (session: string) => `lantern-folded-${session}`
const step = (session: string) => `lantern-step-${session}`

const list = (kept: string): string[] => (localStorage.getItem(kept) ?? '').split('\n').filter(Boolean)
const keep = (as: string, all: string[]) => localStorage.setItem(as, all.join('\n'))

export const shownColumns = (): string[] => localStorage.getItem(COLUMNS)?.split(',') ?? []
export const keepColumns = (columns: string[]) => localStorage.setItem(COLUMNS, columns.join(','))

export const foldedFolders = (session: string) => list(folded(session))
export const keepFolded = (session: string, folders: string[]) => keep(folded(session), folders)

export const lastStep = (session: string) => localStorage.getItem(step(session)) ?? 'input-list'
export const keepStep = (session: string, path: string) => localStorage.setItem(step(session), path)

export const pageState = (session: string): PageState => ({
  columns: shownColumns(),
  folded: foldedFolders(session),
  step: lastStep(session),
})

/** Shows a session as another one was shown. */
export function showLike(session: string, page: PageState | null) {
  if (!page) return
  if (page.columns.length) keepColumns(page.columns)
  keepFolded(session, page.folded)
  keepStep(session, page.step)
}
