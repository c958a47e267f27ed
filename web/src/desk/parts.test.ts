import { expect, test } from 'vitest'
import type { Session } from '@/api/client'
import { type KindOfPart, gathered, withParts } from './parts'

const SESSION = {
  id: 's',
  revision: 1,
  sampleRate: 48000,
  tracks: [
    { id: 'a', position: 1, name: 'A' },
    { id: 'b', position: 2, name: 'B' },
  ],
  inputs: [],
  cues: [{ id: 'c', position: 1, name: 'C', sends: [{ trackId: 'a', level: -6 }] }],
  direct: [],
  acknowledgements: [],
} as unknown as Session

const many = (kind: string, field: string, orderField: string, ...idFields: string[]): KindOfPart => ({
  kind,
  shape: 'many',
  field,
  idFields,
  orderField,
})

const KINDS: KindOfPart[] = [
  { kind: 'settings', shape: 'spread', field: '', idFields: [], orderField: '' },
  { kind: 'song', shape: 'one-or-none', field: 'songEntry', idFields: [], orderField: '' },
  many('track', 'tracks', 'position', 'id'),
  many('cue', 'cues', 'position', 'id'),
  { kind: 'send', shape: 'within-cues', field: 'cues', idFields: ['trackId'], orderField: '' },
  many('acknowledgement', 'acknowledgements', '', 'key'),
  many('direct', 'direct', '', 'cue', 'input'),
]

const changed = (parts: Record<string, Record<string, unknown> | null>) => withParts(KINDS, SESSION, 2, parts)

test('a part that changed takes its place by its order, and what did not change is the same object', () => {
  const next = changed({
    'track/b': { id: 'b', position: 0, name: 'B' },
    'track/d': { id: 'd', position: 1, name: 'D' },
  })
  expect(next.revision).toBe(2)
  expect(next.tracks.map((track) => track.id)).toEqual(['b', 'a', 'd'])
  expect(next.cues).toBe(SESSION.cues)
  expect(SESSION.tracks.map((track) => track.id)).toEqual(['a', 'b'])
})

test('a part that went is gone, and one that never was does no harm', () => {
  expect(changed({ 'track/a': null, 'track/ghost': null }).tracks.map((track) => track.id)).toEqual(['b'])
})

test('a cue keeps its sends, and a send changes in its cue', () => {
  const renamed = changed({ 'cue/c': { id: 'c', position: 1, name: 'Drums' } })
  expect(renamed.cues[0]).toMatchObject({ name: 'Drums', sends: [{ trackId: 'a', level: -6 }] })
  const louder = changed({ 'send/c/a': { trackId: 'a', level: 0 }, 'send/c/b': { trackId: 'b', level: -3 } })
  expect(louder.cues[0]!.sends.map((send) => [send.trackId, send.level])).toEqual([
    ['a', 0],
    ['b', -3],
  ])
  expect(changed({ 'send/c/a': null }).cues[0]!.sends).toEqual([])
})

test('what is taken note of keeps the slashes of its key', () => {
  const next = changed({ 'acknowledgement/port/in-1/twice': { key: 'port/in-1/twice' } })
  expect(next.acknowledgements.map((each) => each.key)).toEqual(['port/in-1/twice'])
})

test('a part that is named by two others stands by both, and one that is there once comes and goes', () => {
  const next = changed({
    'direct/c/2': { cue: 'c', input: '2', level: -3 },
    'direct/c/1': { cue: 'c', input: '1', level: -6 },
    song: { key: 'D' },
  })
  expect(next.direct.map((each) => each.input)).toEqual(['1', '2'])
  expect(next.songEntry).toMatchObject({ key: 'D' })
  expect(changed({ song: null }).songEntry).toBeNull()
})

test('settings are laid over the session, and a part of no known kind is an error', () => {
  expect(changed({ settings: { sampleRate: 96000 } }).sampleRate).toBe(96000)
  expect(() => changed({ 'gong/1': {} })).toThrow('gong/1')
})

test('what belongs together is gathered in its order', () => {
  const groups = gathered<number>([
    ['x', 1],
    ['y', 2],
    ['x', 3],
  ])
  expect([...groups]).toEqual([
    ['x', [1, 3]],
    ['y', [2]],
  ])
})
