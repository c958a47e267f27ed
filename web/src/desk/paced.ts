/** An answer is fetched anew no more often than this while something keeps changing, as in a drag. */
const LEAST_MS = 250

/**
 * Work that is asked for more often than it pays to do it. It is done at once, one at a time, and begins no more often than
 * every `leastMs`; however often it was asked for meanwhile, it is done once more with what is so by then.
 */
export function paced(work: () => Promise<unknown>, leastMs = LEAST_MS): () => void {
  let asked = false
  let busy = false

  async function run() {
    busy = true
    while (asked) {
      asked = false
      const rest = new Promise((over) => setTimeout(over, leastMs))
      await work().catch(() => undefined)
      await rest
    }
    busy = false
  }

  return () => {
    asked = true
    if (!busy) void run()
  }
}
