import { expect, test } from 'vitest'
import { inTurn } from './inTurn'

test('each begins from what the one before it left, also when that failed', async () => {
  const next = inTurn()
  let kept = 1
  const slowly = async () => {
    const before = kept
    await Promise.resolve()
    kept = before * 2
  }
  const all = [next(slowly), next(() => Promise.reject(new Error('refused'))), next(slowly)]
  const ended = await Promise.allSettled(all)
  expect(ended.map((each) => each.status)).toEqual(['fulfilled', 'rejected', 'fulfilled'])
  expect(kept).toBe(4)
})
