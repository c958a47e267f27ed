import { afterEach, beforeEach, expect, test, vi } from 'vitest'

vi.stubGlobal('addEventListener', () => {})
vi.stubGlobal('innerWidth', 1280)
vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
vi.mock('vue', async (whole) => ({ ...(await whole<typeof import('vue')>()), onBeforeUnmount: () => {} }))
const { api, Problem } = await import('@/api/client')
const { notice } = await import('./notice')
const { useTask } = await import('./task')
vi.stubGlobal('document', { activeElement: null, body: null })
vi.stubGlobal('window', globalThis)

const asked: string[] = []
const cancelled: string[] = []

beforeEach(() => {
  vi.useFakeTimers()
  notice.value = null
  asked.length = 0
  cancelled.length = 0
  const nameOf = (options: unknown) => (options as { params: { path: { task: string } } }).params.path.task
  vi.spyOn(api, 'GET').mockImplementation((async (_: string, options: unknown) => {
    asked.push(nameOf(options))
    return { data: { share: asked.length / 4 } }
  }) as unknown as typeof api.GET)
  vi.spyOn(api, 'DELETE').mockImplementation((async (_: string, options: unknown) => {
    cancelled.push(nameOf(options))
    return {}
  }) as unknown as typeof api.DELETE)
})
afterEach(() => vi.useRealTimers())

/** A job that ends when it is told to. */
function job() {
  let end: (result: unknown) => void
  let fail: (why: Error) => void
  let name = ''
  const run = (task: string) => {
    name = task
    return new Promise((resolve, reject) => ((end = resolve), (fail = reject)))
  }
  return { run, end: (result: unknown) => end(result), fail: (why: Error) => fail(why), name: () => name }
}

test('how far it is is asked by its name until it is done', async () => {
  const { share, begin } = useTask()
  const mine = job()
  const done = begin(mine.run)
  expect(share.value).toBe(0)
  await vi.advanceTimersByTimeAsync(260)
  expect(share.value).toBe(0.25)
  await vi.advanceTimersByTimeAsync(260)
  expect(share.value).toBe(0.5)
  expect(new Set(asked)).toEqual(new Set([mine.name()]))
  mine.end('result')
  expect(await done).toBe('result')
  expect(share.value).toBeNull()
  await vi.advanceTimersByTimeAsync(1000)
  expect(asked).toHaveLength(2)
})

test('what is cancelled is over at once, and nothing is said of how it ended', async () => {
  const { share, begin, cancel } = useTask()
  const mine = job()
  const done = begin(mine.run)
  await cancel()
  expect(share.value).toBeNull()
  expect(cancelled).toEqual([mine.name()])
  mine.fail(new Problem('It was cancelled.'))
  expect(await done).toBeUndefined()
  expect(notice.value).toBeNull()
  await cancel()
  expect(cancelled).toHaveLength(1)
})

test('what goes wrong by itself is said', async () => {
  const { share, begin } = useTask()
  const mine = job()
  const done = begin(mine.run)
  mine.fail(new Problem('There are enough already.'))
  expect(await done).toBeUndefined()
  expect(notice.value?.sentence).toBe('There are enough already.')
  expect(share.value).toBeNull()
})

test('what changed meanwhile is looked at again, and what gave way to another one comes to nothing', async () => {
  const { beginAbout } = useTask()
  let cue = { id: 'bass', level: 0 }
  const seen: number[] = []
  const louder = await beginAbout(
    () => cue,
    async () => {
      seen.push(cue.level)
      if (cue.level < 2) cue = { id: 'bass', level: cue.level + 1 }
      return seen.length
    },
  )
  expect(louder).toBe(3)
  expect(seen).toEqual([0, 1, 2])
  const left = await beginAbout(
    () => cue,
    async () => {
      cue = { id: 'voice', level: 0 }
      return 'of the bass'
    },
  )
  expect(left).toBeUndefined()
})
