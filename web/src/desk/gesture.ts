/** The pace at which a drag is sent on: at most 30 times a second, the latest place wins. */
const PAUSE = 1000 / 30

export function newGesture(): string {
  return crypto.randomUUID()
}

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
      running ??= run()
    },
    finish: () => running ?? Promise.resolve(),
  }
}
