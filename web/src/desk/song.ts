import { api, type SongOutline } from '@/api/client'
import { useFetched } from './fetched'

/** The song laid out over its bars. */
export function useSong() {
  return useFetched<SongOutline>(
    () => [],
    (at) => api.GET('/api/sessions/{session}/song', at),
  )
}
