import { expect, test } from 'vitest'
import type { Chains, Inserted } from '@/api/client'
import { allSwitched, anyChain, switchWords } from './chains'

const GATE = { id: 'gate', type: 'gate', on: true, numbers: [] } as Inserted
const chains = (track: string, printed: boolean, heard: boolean | null): Chains => ({
  track,
  printed: { on: printed, effects: [GATE] },
  heard: { on: heard ?? true, effects: heard === null ? [] : [GATE] },
})

test('while one chain is on, all that are on go off, and no empty one is touched', () => {
  const all = [chains('a', true, null), chains('b', false, true)]
  expect(switchWords(all)).toBe('Chains off')
  expect(allSwitched(all)).toEqual([
    { kind: 'switch-chain', track: 'a', place: 'printed', on: false },
    { kind: 'switch-chain', track: 'b', place: 'heard', on: false },
  ])
})

test('once all are off, all come on', () => {
  const all = [chains('a', false, null), chains('b', false, false)]
  expect(switchWords(all)).toBe('Chains on')
  expect(allSwitched(all).map((edit) => 'track' in edit && edit.track)).toEqual(['a', 'b', 'b'])
})

test('without an effect there is nothing to switch', () => {
  expect(anyChain([])).toBe(false)
  expect(switchWords([])).toBe('Chains off')
  expect(allSwitched([])).toEqual([])
})
