import { ref } from 'vue'

/** A sentence for the person at the page, beside the thing it is about. */
export interface Notice {
  sentence: string
  x: number
  y: number
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
export function tell(sentence: string) {
  clearTimeout(timer)
  notice.value = { sentence, ...place() }
  timer = window.setTimeout(() => (notice.value = null), 8000)
}

export function dismiss() {
  clearTimeout(timer)
  notice.value = null
}

/** Does something and tells why if it cannot be done; gives whether it was. */
export async function trying(action: () => Promise<unknown>): Promise<boolean> {
  try {
    await action()
    return true
  } catch (failed) {
    tell(failed instanceof Error ? failed.message : String(failed))
    return false
  }
}
