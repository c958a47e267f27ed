/** Does one thing after the other: each begins when the one before it is done, so that it can begin from what that left. */
export function inTurn() {
  let last: Promise<unknown> = Promise.resolve()
  return <T>(act: () => Promise<T>): Promise<T> => {
    const mine = last.then(act, act)
    last = mine.catch(() => {})
    return mine
  }
}
