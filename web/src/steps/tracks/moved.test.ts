import { expect, test } from 'vitest'
import type { Track } from '@/api/client'
import { movedByOne } from './moved'

const all = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id }) as Track)
const moved = (ids: string, way: 'up' | 'down') =>
  movedByOne(
    all.filter((track) => ids.includes(track.id)),
    all,
    way,
  ).map((edit) => [edit.kind === 'move-track' && edit.track, edit.kind === 'move-track' && edit.before])

test('one goes up or down by one place', () => {
  expect(moved('c', 'up')).toEqual([['c', 'b']])
  expect(moved('c', 'down')).toEqual([['c', 'e']])
  expect(moved('d', 'down')).toEqual([['d', null]])
})

test('some that stand apart come together', () => {
  expect(moved('bd', 'up')).toEqual([
    ['b', 'a'],
    ['d', 'a'],
  ])
  expect(moved('bd', 'down')).toEqual([
    ['b', null],
    ['d', null],
  ])
})

test('at the end there is nothing to be moved', () => {
  expect(moved('ab', 'up')).toEqual([])
  expect(moved('de', 'down')).toEqual([])
})
