import type { ChainPlace, Chains, Edit, Inserted, Session } from '@/api/client'

const PLACES: ChainPlace[] = ['printed', 'heard']

const NOTHING = { on: true, effects: [] }

/** The chains of a track; empty ones if nothing is in them. */
export const chainsOf = (session: Session, track: string): Chains =>
  session.chains.find((each) => each.track === track) ?? { track, printed: NOTHING, heard: NOTHING }

const filled = (session: Session) =>
  session.chains.flatMap((chains) =>
    PLACES.filter((place) => chains[place].effects.length).map((place) => ({
      track: chains.track,
      place,
      on: chains[place].on,
    })),
  )

/** Whether there are chains, and all of them are off. */
export const allAreOff = (session: Session) => filled(session).length > 0 && filled(session).every(({ on }) => !on)

export const anyChain = (session: Session) => filled(session).length > 0

/** Switches off every chain that is on; if none is, all of them on. */
export function allSwitched(session: Session): Edit[] {
  const on = allAreOff(session)
  return filled(session)
    .filter((chain) => chain.on !== on)
    .map(({ track, place }) => ({ kind: 'switch-chain', track, place, on }))
}

/** What a number of an effect is set to. */
export const numberOf = (effect: Inserted, number: Inserted['numbers'][number]['number']) =>
  effect.numbers.find((each) => each.number === number)?.value ?? 0
