import { dragsSent } from './gesture'
import { trying } from './notice'

/**
 * Undo and redo of what changes by calls to the program. Each waits for the changes that are on their way, and for
 * the end of what was dragged; a change that cannot be
 * taken back says why, and the one before it is offered.
 */
export function undoing(calls: { undo(line: number | undefined): Promise<unknown>; redo(): Promise<unknown> }) {
  let last: Promise<unknown> = Promise.resolve()

  /** A change for which an undo waits. */
  function onItsWay<T>(change: Promise<T>): Promise<T> {
    last = Promise.allSettled([last, change])
    return change
  }

  const next = (call: () => Promise<boolean>) => onItsWay(Promise.all([last, dragsSent()]).then(call))

  const undo = (line?: number): Promise<boolean> =>
    next(() =>
      trying(
        () => calls.undo(line),
        ({ instead }) => instead && { words: `Undo the one before: ${instead.words}`, act: () => undo(instead.line) },
      ),
    )

  return { onItsWay, undo: () => undo(), redo: () => next(() => trying(calls.redo)) }
}
