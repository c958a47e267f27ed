import { api, type ClickPattern, type SongOutline } from '@/api/client'
import type { useDesk } from './desk'
import { useFetched } from './fetched'
import { unsentOf, whole } from './whole'

type Desk = ReturnType<typeof useDesk>

/** The song laid out over its bars. */
export function useSong() {
  return useFetched<SongOutline>(
    () => [],
    (at) => api.GET('/api/sessions/{session}/song', at),
  )
}

const change = whole<ClickPattern>()

/** Changes the click as the changes before this one leave it. */
export function setClick(desk: Desk, other: (click: ClickPattern) => Partial<ClickPattern>) {
  return change(
    () => unsentOf(desk, 'set-click').at(-1)?.click ?? desk.session!.click,
    (click) => ({ ...click, ...other(click) }),
    (click) => desk.edit([{ kind: 'set-click', click }]),
  )
}
