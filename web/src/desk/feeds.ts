import type { Feed } from '@/api/client'

export const same = (one: Feed, other: Feed) =>
  one.input === other.input && one.track === other.track && one.port === other.port && one.channel === other.channel

/** "left" or "right" of a stereo thing, "3 of 5" of a wide one, "" of a mono one. */
export const channelWord = (width: number, channel: number) =>
  width === 1 ? '' : width === 2 ? ['left', 'right'][channel]! : `${channel + 1} of ${width}`

export const widthWord = (width: number) => (width === 1 ? 'mono' : width === 2 ? 'stereo' : `${width} wide`)

export const WIDTHS = [1, 2, 3, 4, 5, 6, 7, 8].map((value) => ({ label: widthWord(value), value }))
