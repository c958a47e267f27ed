import type { Backing, Cue, Input, Performer, Send, Session, Track } from '@/api/client'

type Part = Record<string, unknown>
type Changed = Record<string, Part | null>

function put<T extends { id: string }>(list: T[], id: string, part: Part | null, order: (a: T, b: T) => number): T[] {
  const others = list.filter((each) => each.id !== id)
  return part ? [...others, part as unknown as T].sort((a, b) => order(a, b) || (a.id < b.id ? -1 : 1)) : others
}

const byPosition = (a: { position: number }, b: { position: number }) => a.position - b.position

function putSend(cue: Cue, track: string, part: Part | null): Cue {
  const others = cue.sends.filter((send) => send.trackId !== track)
  const sends = part ? [...others, part as unknown as Send] : others
  return { ...cue, sends: sends.sort((a, b) => (a.trackId < b.trackId ? -1 : 1)) }
}

function withPart(session: Session, key: string, part: Part | null): Session {
  const [kind = '', id = '', of = ''] = key.split('/')
  switch (kind) {
    case 'settings':
      return { ...session, ...part }
    case 'click':
      return { ...session, click: part as unknown as Session['click'] }
    case 'tempo-map':
      return { ...session, tempoMap: part as unknown as Session['tempoMap'] }
    case 'performer':
      return { ...session, performers: put<Performer>(session.performers, id, part, byPosition) }
    case 'marker':
      return { ...session, markers: put(session.markers, id, part, (a, b) => a.bar - b.bar) }
    case 'input':
      return { ...session, inputs: put<Input>(session.inputs, id, part, (a, b) => a.number - b.number) }
    case 'track':
      return { ...session, tracks: put<Track>(session.tracks, id, part, byPosition) }
    case 'view':
      return { ...session, views: put(session.views, id, part, () => 0) }
    case 'group':
      return { ...session, groups: put(session.groups, id, part, () => 0) }
    case 'bring':
      return { ...session, bringing: put(session.bringing, id, part, byPosition) }
    case 'song':
      return { ...session, songEntry: part as unknown as Session['songEntry'] }
    case 'direct': {
      const others = session.direct.filter((each) => each.cue !== id || each.input !== of)
      const all = part ? [...others, part as unknown as (typeof others)[number]] : others
      const named = (each: { cue: string; input: string }) => `${each.cue}/${each.input}`
      return { ...session, direct: all.sort((a, b) => (named(a) < named(b) ? -1 : 1)) }
    }
    case 'backing': {
      const others = session.backing.filter((each) => each.track !== id)
      const all = part ? [...others, part as unknown as Backing] : others
      return { ...session, backing: all.sort((a, b) => (a.track < b.track ? -1 : 1)) }
    }
    case 'monitoring':
      return { ...session, monitoring: part as unknown as Session['monitoring'] }
    case 'control-room':
      return { ...session, controlRoom: part as unknown as Session['controlRoom'] }
    case 'acknowledgement': {
      const acknowledged = key.slice(kind.length + 1)
      const others = session.acknowledgements.filter((each) => each.key !== acknowledged)
      const all = part ? [...others, part as unknown as (typeof others)[number]] : others
      return { ...session, acknowledgements: all.sort((a, b) => (a.key < b.key ? -1 : 1)) }
    }
    case 'cue': {
      const sends = session.cues.find((cue) => cue.id === id)?.sends ?? []
      return { ...session, cues: put<Cue>(session.cues, id, part && { ...part, sends }, byPosition) }
    }
    case 'send':
      return { ...session, cues: session.cues.map((cue) => (cue.id === id ? putSend(cue, of, part) : cue)) }
    default:
      throw new Error(`The page knows no part "${key}".`)
  }
}

/** Cues come before their sends and go after them, as their keys are sorted. */
export function withParts(session: Session, revision: number, changed: Changed): Session {
  const next = Object.entries(changed).reduce((all, [key, part]) => withPart(all, key, part), session)
  return { ...next, revision }
}

/** What belongs to each key, in its order. */
export function gathered<T>(pairs: [string, T][]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const [key, each] of pairs) groups.set(key, [...(groups.get(key) ?? []), each])
  return groups
}
