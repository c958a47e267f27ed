import { expect, test } from 'vitest'
import { cells, lines } from './pasted'

test('cells of a spreadsheet, with quotes, line breaks and empty ones', () => {
  expect(cells('Harp\t\t"two\nlines"\r\n"a ""b"""\tc\n\n')).toEqual([
    ['Harp', '', 'two\nlines'],
    ['a "b"', 'c'],
  ])
})

test('semicolons part cells where every line has as many', () => {
  expect(cells('1;Fiddle;Gannet C\n2;Harp;\n')).toEqual([
    ['1', 'Fiddle', 'Gannet C'],
    ['2', 'Harp', ''],
  ])
  expect(cells('Fiddle; close\nHarp')).toEqual([['Fiddle; close'], ['Harp']])
})

test('what is copied comes back as it was', () => {
  const rows = [
    ['Harp', 'two\nlines', 'a "b"'],
    ['x\ty', '', 'z'],
  ]
  expect(cells(lines(rows))).toEqual(rows)
})

test('nothing gives no rows', () => {
  expect(cells('')).toEqual([])
  expect(cells(' \n\t\n')).toEqual([])
})
