import type { ChainPlace, Chains, Edit, Inserted, Session } from '@/api/client'

const PLACES: ChainPlace[] = ['printed', 'heard']

const NOTHING = { on: true, effects: [] }

/** The chains of a track; empty ones if nothing is in them. */
export const chainsOf = (session: Session, track: string): Chains =>
  session.chains.find((each) => each.track === track) ?? { track, printed: NOTHING, heard: NOTHING }

const filled = (all: Chains[]) =>
  all.flatMap((chains) =>
    PLACES.filter((place) => chains[place].effects.length).map((place) => ({
      track: chains.track,
      place,
      on: chains[place].on,
    })),
  )

export const anyChain = (all: Chains[]) => filled(all).length > 0

/** Whether there are chains, and all of them are off. */
const allAreOff = (all: Chains[]) => anyChain(all) && filled(all).every(({ on }) => !on)

/** What {@link allSwitched} would do. */
export const switchWords = (all: Chains[]) => (allAreOff(all) ? 'Chains on' : 'Chains off')

/** Switches off every chain that is on; if none is, all of them on. */
export function allSwitched(all: Chains[]): Edit[] {
  const on = allAreOff(all)
  return filled(all)
    .filter((chain) => chain.on !== on)
    .map(({ track, place }) => ({ kind: 'switch-chain', track, place, on }))
}

/** What a number of an effect is set to. */
export const numberOf = (effect: Inserted, number: Inserted['numbers'][number]['number']) =>
  effect.numbers.find((each) => each.number === number)?.value ?? 0
