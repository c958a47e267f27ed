import { ask } from './question'
import type { CountedUp, Edit } from '@/api/client'

/** Counts up; where not everything finds a port, what fits is placed only if somebody wants it so. */
export async function placing(proposed: Promise<{ data?: CountedUp }>): Promise<{ data: { edits: Edit[] } }> {
  const counted = (await proposed).data!
  const wanted =
    !counted.left || (await ask({ title: 'Not all fit', sentence: counted.left, yes: `Place ${counted.placed}` }))
  return { data: { edits: wanted ? counted.edits : [] } }
}
