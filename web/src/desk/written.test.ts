import { expect, test } from 'vitest'
import { day, decimal, moment, size } from './written'

test('bytes are written in kB below a megabyte, rounded up, and in MB above', () => {
  expect(size(1)).toBe('1 kB')
  expect(size(999_001)).toBe('1000 kB')
  expect(size(34_560_000)).toBe('34.6 MB')
})

test('a day is written with its month in letters', () => {
  expect(day('2026-03-09T12:00:00Z')).toBe('9 Mar 2026')
})

test('a moment is written with its day and its time, to the second where that counts', () => {
  expect(moment('2026-03-09T12:04:05')).toBe('9 Mar 2026, 12:04')
  expect(moment('2026-03-09T12:04:05', { seconds: true })).toBe('9 Mar 2026, 12:04:05')
})

test('a number may have a comma and a real minus', () => {
  expect(decimal('−1,5')).toBe(-1.5)
  expect(decimal('three')).toBeNaN()
})
