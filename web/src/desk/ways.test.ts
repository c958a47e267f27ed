import { expect, test } from 'vitest'
import type { Offers, Session, Track, TrackWay } from '@/api/client'
import {
  NEW_RETURNS,
  nameOfSum,
  nameOfWay,
  namesOfOuts,
  namesOfReturns,
  newReturn,
  sendInto,
  sendOut,
  sentTo,
  waysFor,
  waysOutMenu,
} from './ways'

const track = (id: string, role: Track['role'], folder = '') =>
  ({ id, name: id.toUpperCase(), role, look: { folder } }) as Track

const session = (tracks: Track[]) => ({ tracks }) as Session

test('a way is said unless it leads to main', () => {
  const all = session([track('s', 'sum')])
  const way = (to: TrackWay['to'], sum: string | null = null) =>
    nameOfWay(all, { track: 'a', to, sum, sends: [], outs: [] })
  expect([way('main'), way('nowhere'), way('sum', 's')]).toEqual(['', 'nowhere', 'S'])
})

test('what is chosen from the list is an edit', () => {
  expect(sentTo('a', 'sum/b')).toEqual({ kind: 'set-way', track: 'a', to: 'sum', sum: 'b' })
  expect(sentTo('a', 'nowhere')).toEqual({ kind: 'set-way', track: 'a', to: 'nowhere', sum: null })
})

test('no sum is offered itself', () => {
  const sum = track('s', 'sum')
  const all = session([track('a', 'input'), sum, track('t', 'sum')])
  expect(waysFor(all, [sum]).map((way) => way.label)).toEqual(['main', 'T', 'nowhere'])
})

test('a sum is called as the folder that its tracks share, or by a number that is free', () => {
  const inside = [track('a', 'input', 'Drums'), track('b', 'input', 'Drums')]
  expect(nameOfSum(session(inside), inside)).toBe('Drums')
  const mixed = [...inside, { ...track('s', 'sum'), name: 'Sum 2' }]
  expect(nameOfSum(session(mixed), mixed)).toBe('Sum 1')
  const taken = [...inside, { ...track('s', 'sum', 'Drums'), name: 'Drums' }]
  expect(nameOfSum(session(taken), inside)).toBe('Sum 1')
})

test('a new return is called as what it begins with, or by a number that is free, and is sent into at once', async () => {
  const all = session([track('a', 'input'), { ...track('r', 'return'), name: 'reverb' }])
  const desk = { session: all, freshId: async (kind: string, name: string) => `${kind} ${name}` }
  expect(await newReturn(desk, NEW_RETURNS[0], [all.tracks[0]!])).toEqual([
    { kind: 'add-return', name: 'Reverb 2', track: 'track Reverb 2', effect: 'reverb' },
    { kind: 'send-into', track: 'a', into: 'track Reverb 2', tap: null, level: null },
  ])
})

test('a row names the returns that its track is sent into', () => {
  const all = session(['r', 'q'].map((id) => track(id, 'return')))
  const sends = [{ into: 'q', tap: 'input' as const, level: -3 }]
  expect(namesOfReturns(all, { track: 'a', to: 'main', sum: null, sends, outs: [] })).toEqual(['Q'])
  expect(sendInto('a', 'q', 'off', 'input')).toEqual({
    kind: 'send-into',
    track: 'a',
    into: 'q',
    tap: 'input',
    level: 'off',
  })
})

test('pairs and single ports are offered, with whose cue leaves there', () => {
  const out = (side: 'both' | 'left' | 'right', label: string) => ({ pair: 'p/1', side, label, usedBy: ['Fiddle'] })
  const offers = { waysOut: [out('both', 'Phones'), out('left', '3'), out('right', '4')] } as unknown as Offers
  expect(waysOutMenu(offers)).toEqual([
    {
      label: 'out by a pair',
      key: 'pairs',
      children: [{ label: 'Phones, where Fiddle leaves', key: 'out/both/p/1' }],
    },
    {
      label: 'out by one port',
      key: 'ports',
      children: [
        { label: '3, where Fiddle leaves', key: 'out/left/p/1' },
        { label: '4, where Fiddle leaves', key: 'out/right/p/1' },
      ],
    },
  ])
  expect(sendOut('a', 'left/p/1')).toEqual({
    kind: 'send-out',
    track: 'a',
    pair: 'p/1',
    side: 'left',
    tap: null,
    level: null,
  })
  const outs = ['p/1', 'gone'].map((pair) => ({ pair, side: 'right' as const, tap: 'input' as const, level: -3 }))
  expect(namesOfOuts(offers, { track: 'a', to: 'main', sum: null, sends: [], outs })).toEqual([
    '4',
    'an output that is gone',
  ])
})
