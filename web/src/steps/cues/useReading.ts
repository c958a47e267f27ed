import { onBeforeUnmount } from 'vue'
import { readLevels } from '@/desk/levels'

/** A text that is written anew has the whole page painted; once a second is as much as one reads. */
const WRITTEN_EVERY = 1000

/** Has a level that is told in words told anew now and then. */
export function useReading(tell: () => unknown) {
  let writtenAt = 0
  const end = readLevels(() => {
    const now = performance.now()
    if (now - writtenAt < WRITTEN_EVERY) return
    writtenAt = now
    tell()
  })
  onBeforeUnmount(end)
}
