import { expect, test, vi } from 'vitest'
import type { Edit } from '@/api/client'

vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
const { placing } = await import('./placing')
const { question } = await import('./question')

const EDITS = [{ kind: 'patch-input', input: 'harp', ports: ['in-1'] }] as Edit[]
const proposed = (left: string) => Promise.resolve({ data: { edits: EDITS, placed: 1, left } })

test('what all fits is placed unasked', async () => {
  expect(await placing(proposed(''))).toEqual({ data: { edits: EDITS } })
  expect(question.value).toBe(null)
})

test('what fits of more is placed if somebody wants it so', async () => {
  for (const wanted of [true, false]) {
    const placed = placing(proposed('The last 2 find none.'))
    await vi.waitFor(() => expect(question.value?.yes).toBe('Place 1'))
    question.value!.answer(wanted ? 'yes' : 'no')
    expect(await placed).toEqual({ data: { edits: wanted ? EDITS : [] } })
  }
})
