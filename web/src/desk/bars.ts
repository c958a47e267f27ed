import type { SongOutline } from '@/api/client'
import type { Place } from './live'

/** The part in which the song is, how many bars are left of it, and what comes then; nothing before the first one. */
export function partAt(song: SongOutline, place: Place) {
  const at = song.parts.filter((part) => part.bar <= place.bar).length - 1
  const part = song.parts[at]
  return part && { name: part.name, left: part.bar + part.bars - place.bar, then: song.parts[at + 1]?.name }
}

/** Which of the counts of its bar the song is at, and how many there are, where it is felt otherwise than written. */
export function countAt(song: Pick<SongOutline, 'meters'>, place: Place) {
  const meter = song.meters.filter((each) => each.bar <= place.bar).at(-1)
  if (!meter || meter.feltIn === 0) return undefined
  return { count: 1 + Math.floor(((place.beat - 1) * meter.feltIn) / meter.beats), of: meter.feltIn }
}

/** How many beats of a count-in are left before bar 1, this one among them, and the part that begins there. */
export function beatsBefore(song: Pick<SongOutline, 'meters' | 'parts'>, place: Place) {
  const beats = song.meters[0]?.beats ?? 4
  const left = -place.bar * beats + beats - Math.floor(place.beat) + 1
  return { left, part: song.parts.find((part) => part.bar === 1)?.name }
}

/** How far along the bars that are shown a place lies, which is in bars; in per cent. */
export function across(song: Pick<SongOutline, 'bars'>, place: number) {
  return (100 * (place - 1)) / song.bars
}

export interface Spot {
  bar: number
  beat: number
}

/** The bar or the beat of the song that is nearest to a place, which is in bars; not before bar 1. */
export function spotAt(song: Pick<SongOutline, 'meters'>, place: number, byBeats: boolean): Spot {
  if (!byBeats) return { bar: Math.max(1, Math.round(place)), beat: 1 }
  const bar = Math.max(1, Math.floor(place))
  const beats = song.meters.filter((meter) => meter.bar <= bar).at(-1)?.beats ?? 1
  const beat = Math.max(1, 1 + Math.round((place - bar) * beats))
  return beat > beats ? { bar: bar + 1, beat: 1 } : { bar, beat }
}

/** Seconds as minutes and seconds. */
export function clock(seconds: number) {
  const whole = Math.round(Math.abs(seconds))
  return `${seconds < 0 ? '−' : ''}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** A time signature as it is typed: "6/8", "6/8 in 2". */
export function signature(meter: SongOutline['meters'][number]) {
  return `${meter.beats}/${meter.noteValue}${meter.feltIn ? ` in ${meter.feltIn}` : ''}`
}
