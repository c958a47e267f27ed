import { ref } from 'vue'
import type { Edit } from '@/api/client'
import { Unreachable } from '@/api/client'
import { tell } from './notice'

const AGAIN_MS = 1500

/** A change as it is sent. */
export interface Change {
  edits: Edit[]
  gesture: string | null
  alone: boolean
}

/** What a change is about: all it says but its numbers. Of one drag only the last change of the same thing is kept. */
const subject = (change: Change) =>
  JSON.stringify([change.gesture, change.edits], (_, value) => (typeof value === 'number' ? 0 : value))

/**
 * Sends changes in their order. One that does not reach the program is kept and sent once it answers again; so are those that
 * come behind it.
 */
export function outbox(send: (session: string, change: Change) => Promise<unknown>) {
  const unsent = ref<{ session: string; change: Change }[]>([])
  let flushing = false
  let sending: { change: Change } | undefined
  let retrying: ReturnType<typeof setTimeout> | undefined

  function keep(session: string, change: Change) {
    const dragged = change.gesture !== null && subject(change)
    const others = unsent.value.filter((each) => !dragged || subject(each.change) !== dragged)
    unsent.value = [...others, { session, change }]
    again(session)
  }

  /** What is kept is tried again now and then, however the connection stands. */
  function again(session: string) {
    clearTimeout(retrying)
    retrying = setTimeout(async () => {
      await flush(session)
      if (unsent.value.some((each) => each.session === session)) again(session)
    }, AGAIN_MS)
  }

  /** Takes back what was kept last, if something is that is not on its way; then there is nothing else to undo. */
  function takeBack(session: string): boolean {
    const last = unsent.value.filter((each) => each.session === session && each !== sending).at(-1)
    if (last) unsent.value = unsent.value.filter((each) => each !== last)
    return last !== undefined
  }

  /** Gives whether it was taken or is kept; throws what the program says against it. */
  async function put(session: string, change: Change) {
    if (unsent.value.some((each) => each.session === session)) return keep(session, change)
    try {
      await send(session, change)
    } catch (failed) {
      if (!(failed instanceof Unreachable)) throw failed
      keep(session, change)
    }
  }

  /** Sends what is kept of a session; what is refused now is told and let go. */
  async function flush(session: string) {
    if (flushing) return
    flushing = true
    const refused: string[] = []
    for (let next; (next = unsent.value.find((each) => each.session === session));) {
      const sent = (sending = next)
      try {
        await send(session, sent.change)
      } catch (failed) {
        if (failed instanceof Unreachable) break
        refused.push(`${unsentWords(sent.change)}: ${(failed as Error).message}`)
      }
      unsent.value = unsent.value.filter((each) => each !== sent)
    }
    sending = undefined
    flushing = false
    if (refused.length) tell(`Made while the connection was away and not taken: ${refused.join(' ')}`)
  }

  addEventListener('beforeunload', (event) => {
    if (unsent.value.length) event.preventDefault()
  })

  return { unsent, put, flush, takeBack }
}

/** What an edit that is not sent yet writes, as far as the page can say it: its kind, and what was typed. */
export function unsentWords({ edits }: Change): string {
  const { kind, ...fields } = edits[0]!
  const typed = Object.values(fields).at(-1)
  const written = ['string', 'number'].includes(typeof typed) && typed !== '' ? ` (${typed})` : ''
  const more = edits.length > 1 ? `, and ${edits.length - 1} more` : ''
  return `${kind.replaceAll('-', ' ')}${written}${more}`
}
