import type { Level } from '@/api/client'

/** Where a level stands along a slider: finer where mixing happens, off at the very beginning. */
const STOPS: [number, number][] = [
  [-90, 0.03],
  [-60, 0.1],
  [-40, 0.24],
  [-20, 0.5],
  [-10, 0.68],
  [0, 0.85],
  [12, 1],
]

export const TICKS = [-60, -40, -20, -10, 0]

export function placeOf(level: number): number {
  const first = STOPS[0]!
  if (level < first[0]) return 0
  for (let at = 1; at < STOPS.length; at++) {
    const [low, from] = STOPS[at - 1]!
    const [high, to] = STOPS[at]!
    if (level <= high) return from + ((to - from) * (level - low)) / (high - low)
  }
  return 1
}

export function levelAt(place: number): Level {
  if (place < STOPS[0]![1] / 2) return 'off'
  for (let at = 1; at < STOPS.length; at++) {
    const [low, from] = STOPS[at - 1]!
    const [high, to] = STOPS[at]!
    if (place <= to) return step(low + ((high - low) * (Math.max(place, from) - from)) / (to - from))
  }
  return 12
}

/** To a fader's step of 0.1 dB. */
export function step(level: number): number {
  return Math.round(level * 10) / 10
}

/** As people read it: one decimal, a sign, a real minus, "off". */
export function shown(level: Level): string {
  if (level === 'off') return 'off'
  const digits = Math.abs(level).toFixed(1)
  return digits === '0.0' ? digits : (level < 0 ? '−' : '+') + digits
}

/** What a person typed, or null if it is no level. */
export function typed(text: string): Level | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(',', '.')
    .replace(/\s*db$/, '')
  if (plain === 'off' || plain === '') return 'off'
  const number = Number(plain)
  return Number.isFinite(number) ? step(number) : null
}
