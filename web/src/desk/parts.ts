import type { Session } from '@/api/client'

type Part = Record<string, unknown>
type Changed = Record<string, Part | null>

/** Where the parts of a kind stand in a session, as the program says. */
export interface KindOfPart {
  /** With this their keys begin. */
  kind: string
  /** One whose fields are the session's own, one, one or none, many, or many within each cue. */
  shape: 'spread' | 'one' | 'one-or-none' | 'many' | 'within-cues'
  /** The field of the session that holds them. */
  field: string
  /** The fields of a part of which its key is made. */
  idFields: string[]
  /** The field by which they stand in order, before their ids; "" if it is the id. */
  orderField: string
}

const idOf = (kind: KindOfPart, part: Part) => kind.idFields.map((field) => part[field]).join('/')

/** A list in which a part took its place, or from which it went. */
function put(kind: KindOfPart, list: Part[], id: string, part: Part | null): Part[] {
  const others = list.filter((each) => idOf(kind, each) !== id)
  if (!part) return others
  const order = (each: Part) => Number(each[kind.orderField] ?? 0)
  return [...others, part].sort((a, b) => order(a) - order(b) || (idOf(kind, a) < idOf(kind, b) ? -1 : 1))
}

/** A cue's sends are parts of their own: one that comes anew keeps those that are there. */
function withItsSends(list: Part[], id: string, part: Part | null): Part | null {
  return part && { ...part, sends: list.find((each) => each.id === id)?.sends ?? [] }
}

function withPart(kinds: KindOfPart[], session: Session, key: string, part: Part | null): Session {
  const word = key.split('/', 1)[0]
  const id = key.slice(word!.length + 1)
  const kind = kinds.find((each) => each.kind === word)
  if (!kind) throw new Error(`The page knows no part "${key}".`)
  const held = session[kind.field as keyof Session] as unknown
  switch (kind.shape) {
    case 'spread':
      return { ...session, ...part }
    case 'one':
    case 'one-or-none':
      return { ...session, [kind.field]: part }
    case 'many': {
      const hasSends = kinds.some((each) => each.shape === 'within-cues' && each.field === kind.field)
      const taken = hasSends ? withItsSends(held as Part[], id, part) : part
      return { ...session, [kind.field]: put(kind, held as Part[], id, taken) }
    }
    case 'within-cues': {
      const cue = id.split('/', 1)[0]!
      const sends = (each: Part) => put(kind, each.sends as Part[], id.slice(cue.length + 1), part)
      return {
        ...session,
        [kind.field]: (held as Part[]).map((each) => (each.id === cue ? { ...each, sends: sends(each) } : each)),
      }
    }
  }
}

/** Cues come before their sends and go after them, as their keys are sorted. */
export function withParts(kinds: KindOfPart[], session: Session, revision: number, changed: Changed): Session {
  const next = Object.entries(changed).reduce((all, [key, part]) => withPart(kinds, all, key, part), session)
  return { ...next, revision }
}

/** What belongs to each key, in its order. */
export function gathered<T>(pairs: [string, T][]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const [key, each] of pairs) groups.set(key, [...(groups.get(key) ?? []), each])
  return groups
}
