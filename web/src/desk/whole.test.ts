import { expect, test } from 'vitest'
import { whole } from './whole'

const BEGIN = { high: 1, low: 1 }

test('a second change keeps the first, though the page is not told of it yet', async () => {
  const change = whole<typeof BEGIN>()
  const sent: (typeof BEGIN)[] = []
  const send = (value: typeof BEGIN) => Promise.resolve(sent.push(value) > 0)
  const now = () => BEGIN
  await Promise.all([
    change(now, (base) => ({ ...base, high: 2 }), send),
    change(now, (base) => ({ ...base, low: 3 }), send),
  ])
  expect(sent).toEqual([
    { high: 2, low: 1 },
    { high: 2, low: 3 },
  ])
})

test('what was refused, and what the page is told meanwhile, is not overwritten', async () => {
  const change = whole<typeof BEGIN>()
  let told = BEGIN
  let last = BEGIN
  const send = (taken: boolean) => (value: typeof BEGIN) => {
    last = value
    return Promise.resolve(taken)
  }
  await change(
    () => told,
    (base) => ({ ...base, high: 2 }),
    send(false),
  )
  await change(
    () => told,
    (base) => ({ ...base, low: 3 }),
    send(true),
  )
  expect(last).toEqual({ high: 1, low: 3 })
  told = { high: 7, low: 7 }
  await change(
    () => told,
    (base) => ({ ...base, low: 4 }),
    send(true),
  )
  expect(last).toEqual({ high: 7, low: 4 })
})

test('what waits and is taken back does not come back with the next change', async () => {
  const change = whole<typeof BEGIN>()
  let waiting: typeof BEGIN | undefined
  const now = () => waiting ?? BEGIN
  const keep = (value: typeof BEGIN) => {
    waiting = value
    return Promise.resolve(true)
  }
  await change(now, (base) => ({ ...base, high: 2 }), keep)
  await change(now, (base) => ({ ...base, low: 3 }), keep)
  expect(waiting).toEqual({ high: 2, low: 3 })
  waiting = undefined
  await change(now, (base) => ({ ...base, low: 4 }), keep)
  expect(waiting).toEqual({ high: 1, low: 4 })
})
