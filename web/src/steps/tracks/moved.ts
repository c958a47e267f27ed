import type { Edit, Track } from '@/api/client'

/** The edits that move some tracks by one place among the others, kept together; none if they stand at the end already. */
export function movedByOne(moving: Track[], all: Track[], way: 'up' | 'down'): Edit[] {
  const others = all.filter((track) => !moving.includes(track))
  const ahead = all.findIndex((track) => moving.includes(track))
  const last = all.map((track) => moving.includes(track)).lastIndexOf(true)
  const behind = all.slice(0, last).filter((track) => !moving.includes(track)).length
  const to = way === 'up' ? ahead - 1 : behind + 1
  if (to < 0 || to > others.length) return []
  const before = others[to]?.id ?? null
  return moving.map(({ id }) => ({ kind: 'move-track', track: id, before }))
}
