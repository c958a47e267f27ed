import { expect, test } from 'vitest'
import { day, size } from './written'

test('bytes are written in kB below a megabyte, rounded up, and in MB above', () => {
  expect(size(1)).toBe('1 kB')
  expect(size(999_001)).toBe('1000 kB')
  expect(size(34_560_000)).toBe('34.6 MB')
})

test('a day is written with its month in letters', () => {
  expect(day('2026-03-09T12:00:00Z')).toBe('9 Mar 2026')
})
