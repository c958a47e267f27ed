/** The pace at which a drag is sent on: at most 30 times a second, the latest place wins. */
const PAUSE = 1000 / 30

export function newGesture(): string {
  return crypto.randomUUID()
}

/** Steps by key or wheel that follow each other closely belong together; a pause begins another gesture. */
export function useSteps() {
  const TOGETHER = 1500
  let gesture = ''
  let last = 0
  return () => {
    if (Date.now() - last > TOGETHER) gesture = newGesture()
    last = Date.now()
    return gesture
  }
}

/**
 * Follows a pressed pointer until it is let go, telling by how many pixels it has moved sideways; also when what was pressed is drawn
 * anew meanwhile.
 */
export function followPointer(
  event: PointerEvent,
  moved: (by: number, event: PointerEvent) => void,
  released: () => unknown,
) {
  const element = event.currentTarget as HTMLElement
  const ended = new AbortController()
  let x = event.clientX
  element.setPointerCapture(event.pointerId)
  const move = (to: PointerEvent) => {
    if (to.pointerId !== event.pointerId) return
    const by = to.clientX - x
    x = to.clientX
    if (by !== 0) moved(by, to)
  }
  const release = (at: PointerEvent) => {
    if (at.pointerId !== event.pointerId) return
    ended.abort()
    released()
  }
  addEventListener('pointermove', move, { signal: ended.signal })
  addEventListener('pointerup', release, { signal: ended.signal })
  addEventListener('pointercancel', release, { signal: ended.signal })
}

/** Drags of which something is still to be sent. */
const sending = new Set<Promise<void>>()

/** Waits until what was dragged so far is sent, to the place where it was let go. */
export const dragsSent = () => Promise.allSettled(sending)

/** Sends the latest value of a drag, one at a time and no faster than 30 a second; finishing waits for the last. */
export function useDrag<T>(send: (value: T, gesture: string) => Promise<unknown>) {
  const gesture = newGesture()
  let waiting: { value: T } | null = null
  let running: Promise<void> | null = null

  async function run() {
    while (waiting) {
      const { value } = waiting
      waiting = null
      await Promise.all([send(value, gesture), new Promise((resolve) => setTimeout(resolve, PAUSE))])
    }
    running = null
  }

  return {
    move(value: T) {
      waiting = { value }
      if (running) return
      const sent = run()
      running = sent
      sending.add(sent)
      void sent.finally(() => sending.delete(sent))
    },
    finish: () => running ?? Promise.resolve(),
  }
}
