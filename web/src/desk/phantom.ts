import type { Edit, Input, InputStanding } from '@/api/client'
import { ask } from './question'

/** Asks before edits switch +48 V on where it could do harm; nothing is to be asked of others. */
export function askAboutPhantom(
  edits: Edit[],
  inputs: Input[],
  standingOf: (input: string) => InputStanding,
): Promise<boolean> | null {
  const harmed = edits.flatMap((edit) => {
    if (edit.kind !== 'set-input-phantom' || edit.phantom !== 'on') return []
    const { phantomHarms } = standingOf(edit.input)
    const source = inputs.find((input) => input.id === edit.input)?.source
    return phantomHarms && source ? [{ source, phantomHarms }] : []
  })
  const [first, ...more] = harmed
  if (!first) return null
  const others = more.length ? ` So it is with ${more.map((each) => each.source).join(', ')}.` : ''
  return ask({
    title: `+48 V on ${first.source}?`,
    sentence: `${first.source}: ${first.phantomHarms}${others}`,
    yes: 'Switch +48 V on all the same',
  })
}
