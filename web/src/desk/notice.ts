import { ref } from 'vue'
import { Problem } from '@/api/client'

/** A sentence for the person at the page, beside the thing it is about. */
export interface Notice {
  sentence: string
  x: number
  y: number
  offer?: Offer
}

/** What can be done about it by one press. */
export interface Offer {
  words: string
  act: () => unknown
}

export const notice = ref<Notice | null>(null)

let pointer = { x: innerWidth / 2, y: 60 }
let timer = 0

addEventListener('pointerdown', (event) => (pointer = { x: event.clientX, y: event.clientY + 14 }), true)

function place(): { x: number; y: number } {
  const focused = document.activeElement
  if (!focused || focused === document.body) return pointer
  const box = focused.getBoundingClientRect()
  return { x: box.left, y: box.bottom + 6 }
}

/** Says why something could not be done, beside what was touched last. */
export function tell(sentence: string, offer?: Offer) {
  clearTimeout(timer)
  notice.value = { sentence, offer, ...place() }
  timer = window.setTimeout(() => (notice.value = null), offer ? 20_000 : 8000)
}

export function dismiss() {
  clearTimeout(timer)
  notice.value = null
}

/** Does something and tells why if it cannot be done, with what could be done instead; gives whether it was done. */
export async function trying(
  action: () => Promise<unknown>,
  offered: (problem: Problem) => Offer | undefined = () => undefined,
): Promise<boolean> {
  try {
    await action()
    return true
  } catch (failed) {
    const offer = failed instanceof Problem ? offered(failed) : undefined
    tell(failed instanceof Error ? failed.message : String(failed), offer)
    return false
  }
}
