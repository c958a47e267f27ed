import { onBeforeUnmount, ref } from 'vue'

/** So far the pointer moves before a press on a handle becomes a drag. */
const BEGINS = 4

/**
 * Rows that are dragged by their handles to another row, which says so by `data-row`. Whoever follows is told over which row they
 * are, and where they were let go; a press that goes nowhere stays a press.
 */
export function useRowDrag(dropped: (dragged: string, before: string) => unknown) {
  /** The row that is dragged, and the row in front of which it would be put. */
  const dragged = ref('')
  const over = ref('')
  let ended = new AbortController()

  function begin(id: string, event: PointerEvent) {
    if (event.button !== 0) return
    const { clientX, clientY } = event
    ended.abort()
    ended = new AbortController()
    const { signal } = ended
    addEventListener(
      'pointermove',
      (to) => {
        if (!dragged.value && Math.hypot(to.clientX - clientX, to.clientY - clientY) < BEGINS) return
        dragged.value = id
        to.preventDefault()
        const row = document.elementFromPoint(to.clientX, to.clientY)?.closest<HTMLElement>('[data-row]')
        over.value = row?.dataset.row ?? ''
        row?.scrollIntoView({ block: 'nearest' })
      },
      { signal },
    )
    addEventListener('pointerup', () => end(true), { signal })
    addEventListener('pointercancel', () => end(false), { signal })
    addEventListener('keydown', (key) => key.key === 'Escape' && end(false), { signal })
  }

  function end(drop: boolean) {
    ended.abort()
    const [what, before] = [dragged.value, over.value]
    over.value = ''
    if (!what) return
    // The click that follows the release is the drag's, not a press.
    const swallow = (click: MouseEvent) => click.stopPropagation()
    addEventListener('click', swallow, true)
    setTimeout(() => {
      removeEventListener('click', swallow, true)
      dragged.value = ''
    })
    if (drop && before && before !== what) dropped(what, before)
  }
  onBeforeUnmount(() => ended.abort())

  return { dragged, over, begin }
}
