import type { Edit, Level, Offers, Session, Tap, Track, TrackWay, WayOut } from '@/api/client'

/** Where a track goes if not to main: a sum's name, or "nowhere". */
export function nameOfWay(session: Session, way: TrackWay) {
  if (way.to !== 'sum') return way.to === 'main' ? '' : way.to
  return session.tracks.find((track) => track.id === way.sum)?.name ?? 'a sum'
}

export const returnsOf = (session: Session) => session.tracks.filter((track) => track.role === 'return')

/** The returns that a track sends into, by name. */
export const namesOfReturns = (session: Session, way: TrackWay) =>
  returnsOf(session)
    .filter((track) => way.sends.some((send) => send.into === track.id))
    .map((track) => track.name)

/** What sends a track into a return; where and how loud it begins, the program says. */
export const sendInto = (track: string, into: string, level: Level | null = null, tap: Tap | null = null): Edit => ({
  kind: 'send-into',
  track,
  into,
  tap,
  level,
})

/** What a new return can begin with. */
export const NEW_RETURNS = [
  { effect: 'reverb', label: 'a new return with a reverb', name: 'Reverb' },
  { effect: 'echo', label: 'a new return with an echo', name: 'Echo' },
  { effect: null, label: 'a new return with nothing in it', name: 'Return' },
] as const
type NewReturn = (typeof NEW_RETURNS)[number]

/** A name that no track has: the wished one, or with the first number from 2 on that is free. */
function apart(session: Session, wished: string) {
  const taken = new Set(session.tracks.map((track) => track.name.toLowerCase()))
  if (!taken.has(wished.toLowerCase())) return wished
  for (let number = 2; ; number++) if (!taken.has(`${wished} ${number}`.toLowerCase())) return `${wished} ${number}`
}

/** What adds a return, and sends some tracks into it. */
export async function newReturn(
  desk: { session: Session | null; freshId: (kind: string, name: string) => Promise<string> },
  wished: NewReturn,
  from: Track[],
): Promise<Edit[]> {
  const name = apart(desk.session!, wished.name)
  const track = await desk.freshId('track', name)
  return [{ kind: 'add-return', name, track, effect: wished.effect }, ...from.map(({ id }) => sendInto(id, track))]
}

/** Which outputs these are, as a word that a menu can have as its key. */
export const keyOfOut = ({ pair, side }: Pick<WayOut, 'pair' | 'side'>) => `${side}/${pair}`

/** The outputs by which a track is sent out, by name. */
export const namesOfOuts = (offers: Offers, way: TrackWay) => way.outs.map((out) => nameOfOut(offers, out))

export const nameOfOut = (offers: Offers, out: WayOut) =>
  offers.waysOut.find((each) => keyOfOut(each) === keyOfOut(out))?.label ?? 'an output that is gone'

/** What sends a track out by outputs; where and how loud it begins, the program says. */
export const sendOut = (track: string, key: string, level: Level | null = null, tap: Tap | null = null): Edit => {
  const [side, pair = ''] = key.split(/\/(.*)/s)
  return { kind: 'send-out', track, pair, side: side as WayOut['side'], tap, level }
}

/** The outputs by which tracks can be sent out: pairs, and single ports. */
export const waysOutMenu = (offers: Offers) => [
  { label: 'out by a pair', key: 'pairs', children: offered(offers.waysOut.filter(({ side }) => side === 'both')) },
  { label: 'out by one port', key: 'ports', children: offered(offers.waysOut.filter(({ side }) => side !== 'both')) },
]

const offered = (ways: Offers['waysOut']) =>
  ways.map((each) => ({
    label: each.usedBy.length ? `${each.label}, where ${each.usedBy.join(', ')} leaves` : each.label,
    key: `out/${keyOfOut(each)}`,
  }))

/** Where tracks can go. Whether one of these would run in a circle, the program says. */
export function waysFor(session: Session, tracks: Track[]) {
  const ids = new Set(tracks.map((track) => track.id))
  return [
    { label: 'main', value: 'main' },
    ...session.tracks
      .filter((track) => track.role === 'sum' && !ids.has(track.id))
      .map((sum) => ({ label: sum.name, value: `sum/${sum.id}` })),
    { label: 'nowhere', value: 'nowhere' },
  ]
}

export function sentTo(track: string, word: string): Edit {
  const sum = word.startsWith('sum/') ? word.slice(4) : null
  return { kind: 'set-way', track, to: sum ? 'sum' : (word as TrackWay['to']), sum }
}

/** What a new sum of tracks is called: as the folder in which they all are, else by the first number that is free. */
export function nameOfSum(session: Session, of: Track[]) {
  const taken = new Set(session.tracks.map((track) => track.name))
  const folders = new Set(of.map((track) => track.look.folder))
  const [folder = ''] = folders
  if (folders.size === 1 && folder && !taken.has(folder)) return folder
  for (let number = 1; ; number++) if (!taken.has(`Sum ${number}`)) return `Sum ${number}`
}

/** What adds a sum of tracks. */
export async function newSum(
  desk: { session: Session | null; freshId: (kind: string, name: string) => Promise<string> },
  of: Track[],
): Promise<Edit> {
  const name = nameOfSum(desk.session!, of)
  return { kind: 'add-sum', track: await desk.freshId('track', name), name, of: of.map((track) => track.id) }
}
