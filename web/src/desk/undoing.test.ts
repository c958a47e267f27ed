import { afterEach, beforeEach, expect, test, vi } from 'vitest'

vi.stubGlobal('addEventListener', () => {})
vi.stubGlobal('innerWidth', 1280)
vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
const { useDrag } = await import('./gesture')
const { undoing } = await import('./undoing')
vi.stubGlobal('document', { activeElement: null, body: null })
vi.stubGlobal('window', globalThis)

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

test('an undo pressed right after a drag waits for the place where it was let go', async () => {
  const calls: string[] = []
  const called = (what: string) => {
    calls.push(what)
    return Promise.resolve(true)
  }
  const { undo, redo, onItsWay } = undoing({ undo: () => called('undo'), redo: () => called('redo') })
  const drag = useDrag((value: number) => onItsWay(called(`level ${value}`)))
  drag.move(1)
  drag.move(2)
  const undone = undo()
  await vi.runAllTimersAsync()
  await undone
  expect(calls).toEqual(['level 1', 'level 2', 'undo'])

  drag.move(3)
  const redone = redo()
  await vi.runAllTimersAsync()
  await redone
  expect(calls.slice(3)).toEqual(['level 3', 'redo'])
})
