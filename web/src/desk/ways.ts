import type { Edit, Session, Track, TrackWay } from '@/api/client'

/** Where a track goes if not to main: a sum's name, or "nowhere". */
export function nameOfWay(session: Session, way: TrackWay) {
  if (way.to !== 'sum') return way.to === 'main' ? '' : way.to
  return session.tracks.find((track) => track.id === way.sum)?.name ?? 'a sum'
}

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
