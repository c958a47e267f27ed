import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'

vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
vi.stubGlobal('window', globalThis)
const { api } = await import('@/api/client')
const { asking } = await import('./findings')

const NOTHING = { data: [] } as never

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

test('nobody is told that all is well before it was looked at', async () => {
  const get = vi.spyOn(api, 'GET').mockResolvedValue(NOTHING)
  const session = ref<string>()
  const { judged } = asking(
    () => session.value,
    () => [],
  )
  session.value = 'first'
  await nextTick()
  expect(judged.value).toBe(false)
  await vi.runAllTimersAsync()
  expect(get).toHaveBeenCalledTimes(1)
  expect(judged.value).toBe(true)
})

test('what was found of one session is not said of the next', async () => {
  let answer: (found: never) => void = () => {}
  vi.spyOn(api, 'GET').mockReturnValue(new Promise((done) => (answer = done)))
  const session = ref('first')
  const { judged, findings, look } = asking(
    () => session.value,
    () => [],
  )
  look()
  await vi.runAllTimersAsync()
  session.value = 'second'
  answer({ data: [{ acknowledged: '', at: [] }] } as never)
  await nextTick()
  expect(judged.value).toBe(false)
  expect(findings.value).toEqual([])
})
