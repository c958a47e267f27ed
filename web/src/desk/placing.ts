import { ask } from './question'
import { Problem, type ManyPlaced, type Edit } from '@/api/client'

/** Places many; where not everything finds a place, what fits is placed only if somebody wants it so. */
export async function placing(
  proposed: Promise<{ data?: ManyPlaced }>,
  verb = 'Place',
): Promise<{ data: { edits: Edit[] } }> {
  const counted = (await proposed).data!
  if (counted.left && !counted.placed) throw new Problem(counted.left)
  const wanted =
    !counted.left || (await ask({ title: 'Not all fit', sentence: counted.left, yes: `${verb} ${counted.placed}` }))
  return { data: { edits: wanted ? counted.edits : [] } }
}
