import { expect, test } from 'vitest'
import { across, beatsBefore, clock, countAt, partAt, signature, spotAt } from './bars'

type Meters = Parameters<typeof signature>[0][]

const METERS = [
  { bar: 1, beats: 4, noteValue: 4, feltIn: 0 },
  { bar: 9, beats: 6, noteValue: 8, feltIn: 2 },
] as unknown as Meters

test('a place in bars lies so many per cent along', () => {
  expect(across({ bars: 16 }, 1)).toBe(0)
  expect(across({ bars: 16 }, 9)).toBe(50)
  expect(across({ bars: 16 }, 17)).toBe(100)
})

test('the nearest bar or beat of the time signature there', () => {
  expect(spotAt({ meters: METERS }, 3.4, false)).toEqual({ bar: 3, beat: 1 })
  expect(spotAt({ meters: METERS }, -2, false)).toEqual({ bar: 1, beat: 1 })
  expect(spotAt({ meters: METERS }, 3.5, true)).toEqual({ bar: 3, beat: 3 })
  expect(spotAt({ meters: METERS }, 9.5, true)).toEqual({ bar: 9, beat: 4 })
  expect(spotAt({ meters: METERS }, 3.95, true)).toEqual({ bar: 4, beat: 1 })
})

test('a bar felt in two is counted in two', () => {
  const at = (bar: number, beat: number) => countAt({ meters: METERS }, { bar, beat } as Parameters<typeof countAt>[1])
  expect(at(1, 3)).toBeUndefined()
  expect(at(9, 1)).toEqual({ count: 1, of: 2 })
  expect(at(9, 3.9)).toEqual({ count: 1, of: 2 })
  expect(at(12, 4)).toEqual({ count: 2, of: 2 })
})

test('the part in which the song is says what is left of it and what comes then', () => {
  const parts = [
    { bar: 1, bars: 8, name: 'Verse' },
    { bar: 9, bars: 4, name: 'Chorus' },
  ]
  const at = (bar: number) => partAt({ parts } as Parameters<typeof partAt>[0], { bar } as Parameters<typeof partAt>[1])
  expect(at(0)).toBeUndefined()
  expect(at(8)).toEqual({ name: 'Verse', left: 1, then: 'Chorus' })
  expect(at(10)).toEqual({ name: 'Chorus', left: 3, then: undefined })
})

test('seconds and time signatures are written as they are read', () => {
  expect(clock(0)).toBe('0:00')
  expect(clock(-61.4)).toBe('−1:01')
  expect(clock(3599.6)).toBe('60:00')
  expect(METERS.map(signature)).toEqual(['4/4', '6/8 in 2'])
})

test('a count-in says how many beats are left, and the part behind it', () => {
  const song = { meters: METERS, parts: [{ name: 'Verse', bar: 1 }] } as unknown as Parameters<typeof beatsBefore>[0]
  const at = (bar: number, beat: number) =>
    beatsBefore(song, { playing: true, bar, beat, seconds: 0, beatsPerMinute: 100 })
  expect(at(-1, 1)).toEqual({ left: 8, part: 'Verse' })
  expect(at(0, 1.9)).toEqual({ left: 4, part: 'Verse' })
  expect(at(0, 4.5)).toEqual({ left: 1, part: 'Verse' })
})
