import type { Tap } from '@/api/client'

/** Where a send can leave its track. */
export const TAPS: { label: string; value: Tap }[] = [
  { label: 'input', value: 'input' },
  { label: 'pre-fader', value: 'pre-fader' },
  { label: 'post-fader', value: 'post-fader' },
]
