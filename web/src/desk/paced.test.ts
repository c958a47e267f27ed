import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { paced } from './paced'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

test('work is done at once, and at most every 250 ms while it is asked for', async () => {
  const done: number[] = []
  const begun = Date.now()
  const ask = paced(async () => void done.push(Date.now() - begun))
  for (let at = 0; at < 1000; at += 16) {
    ask()
    await vi.advanceTimersByTimeAsync(16)
  }
  await vi.advanceTimersByTimeAsync(2000)
  expect(done).toEqual([0, 250, 500, 750, 1000])
})

test('one that is slow is waited for, and done once more for all that came meanwhile', async () => {
  let running = 0
  let most = 0
  let begun = 0
  const ask = paced(async () => {
    begun += 1
    most = Math.max(most, ++running)
    await new Promise((over) => setTimeout(over, 1000))
    running -= 1
  })
  for (let times = 0; times < 10; times += 1) ask()
  await vi.advanceTimersByTimeAsync(900)
  ask()
  await vi.advanceTimersByTimeAsync(5000)
  expect(most).toBe(1)
  expect(begun).toBe(2)
})

test('a failure ends nothing', async () => {
  let begun = 0
  const ask = paced(async () => {
    begun += 1
    throw new Error('the connection is lost')
  })
  ask()
  await vi.advanceTimersByTimeAsync(300)
  ask()
  await vi.advanceTimersByTimeAsync(300)
  expect(begun).toBe(2)
})
