import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Edit } from '@/api/client'

vi.stubGlobal('addEventListener', () => {})
vi.stubGlobal('innerWidth', 1280)
vi.stubGlobal('localStorage', { getItem: () => 'somebody', setItem: () => {} })
const { Problem, Unreachable } = await import('@/api/client')
const { notice } = await import('./notice')
const { outbox, unsentWords } = await import('./outbox')
vi.stubGlobal('document', { activeElement: null, body: null })
vi.stubGlobal('window', globalThis)

const named = (name: string, gesture: string | null = null) => ({
  edits: [{ kind: 'rename-track', track: 'harp', name }] as Edit[],
  gesture,
  alone: true,
})
const fader = (level: number, track = 'harp') => ({
  edits: [{ kind: 'set-fader', track, level }] as Edit[],
  gesture: 'one drag',
  alone: true,
})

let away = false
let refuses = ''
let sent: unknown[] = []
const box = () =>
  outbox(async (_, change) => {
    if (away) throw new Unreachable('The program does not answer.')
    if (refuses && JSON.stringify(change).includes(refuses)) throw new Problem('There is no such track.')
    sent.push(change.edits[0])
  })

beforeEach(() => {
  vi.useFakeTimers()
  away = false
  refuses = ''
  sent = []
  notice.value = null
})

afterEach(() => vi.useRealTimers())

test('what does not arrive is kept, and sent in its order when the program answers', async () => {
  const changes = box()
  await changes.put('demo', named('one'))
  away = true
  await changes.put('demo', named('two'))
  away = false
  await changes.put('demo', named('three'))
  expect(sent).toHaveLength(1)
  expect(changes.unsent.value).toHaveLength(2)
  await changes.flush('another')
  expect(sent).toHaveLength(1)
  await changes.flush('demo')
  expect(sent).toEqual(['one', 'two', 'three'].map((name) => named(name).edits[0]))
  expect(changes.unsent.value).toEqual([])
})

test('of a drag the last place of each thing is kept', async () => {
  const changes = box()
  away = true
  for (let level = -40; level <= -6; level++) await changes.put('demo', fader(level))
  await changes.put('demo', fader(-3, 'flute'))
  expect(changes.unsent.value.map((each) => each.change.edits[0])).toEqual([
    { kind: 'set-fader', track: 'harp', level: -6 },
    { kind: 'set-fader', track: 'flute', level: -3 },
  ])
})

test('what is refused at last is told, and keeps nothing behind it', async () => {
  const changes = box()
  away = true
  await changes.put('demo', named('gone'))
  await changes.put('demo', named('here'))
  away = false
  refuses = 'gone'
  await changes.flush('demo')
  expect(sent).toEqual([named('here').edits[0]])
  expect(notice.value?.sentence).toContain('There is no such track.')
  expect(changes.unsent.value).toEqual([])
})

test('one that is refused at once is not kept', async () => {
  const changes = box()
  refuses = 'gone'
  await expect(changes.put('demo', named('gone'))).rejects.toThrow('There is no such track.')
  expect(changes.unsent.value).toEqual([])
})

test('what is not sent yet is said with what was typed', () => {
  expect(unsentWords(named('Harp left'))).toBe('rename track (Harp left)')
  expect(unsentWords({ ...named('x'), edits: [...named('x').edits, ...named('y').edits] })).toBe(
    'rename track (x), and 1 more',
  )
})

test('what is kept is tried again by itself, and can be taken back before it is sent', async () => {
  const changes = box()
  away = true
  await changes.put('demo', named('one'))
  await changes.put('demo', named('two'))
  expect(changes.takeBack('demo')).toBe(true)
  await vi.advanceTimersByTimeAsync(2000)
  expect(changes.unsent.value.map((each) => each.change)).toEqual([named('one')])
  away = false
  await vi.advanceTimersByTimeAsync(2000)
  expect(sent).toEqual([named('one').edits[0]])
  expect(changes.takeBack('demo')).toBe(false)
})
