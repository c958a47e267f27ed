import { api, type ClickPattern, type SongOutline } from '@/api/client'
import type { useDesk } from './desk'
import { useFetched } from './fetched'

type Desk = ReturnType<typeof useDesk>

/** The song laid out over its bars. */
export function useSong() {
  return useFetched<SongOutline>(
    () => [],
    (at) => api.GET('/api/sessions/{session}/song', at),
  )
}

/** Changes the click. */
export function setClick(desk: Desk, other: Partial<ClickPattern>) {
  return desk.edit([{ kind: 'set-click', click: { ...desk.session!.click, ...other } }])
}
