import type { Edit } from '@/api/client'
import type { useDesk } from './desk'
import { inTurn } from './inTurn'

/**
 * Changes something that is sent as a whole, one change after the other. Each begins from what the one before it sent, also while the
 * page is not told of that yet; what was refused is forgotten.
 */
export function whole<T>() {
  const next = inTurn()
  let sent: { value: T; insteadOf: T } | undefined

  return (now: () => T, other: (base: T) => T, send: (value: T) => Promise<boolean>) =>
    next(async () => {
      const told = now()
      const value = other(sent?.insteadOf === told ? sent.value : told)
      const taken = await send(value)
      sent = taken && now() === told ? { value, insteadOf: told } : undefined
      return taken
    })
}

/** The edits of a kind that wait for a connection. */
export function unsentOf<Kind extends Edit['kind']>(
  { unsent, session }: Pick<ReturnType<typeof useDesk>, 'unsent' | 'session'>,
  kind: Kind,
) {
  return unsent
    .filter((each) => each.session === session?.id)
    .flatMap(({ change }) => change.edits)
    .filter((each): each is Extract<Edit, { kind: Kind }> => each.kind === kind)
}
