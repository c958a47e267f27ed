/** This browser, as far as undo goes: a random id that it keeps. */
const KEPT = 'lantern-person'

function id(): string {
  const kept = localStorage.getItem(KEPT)
  if (kept) return kept
  const fresh = crypto.randomUUID()
  localStorage.setItem(KEPT, fresh)
  return fresh
}

export const person = id()
