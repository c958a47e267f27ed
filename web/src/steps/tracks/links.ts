import type { Link, What } from '@/api/client'

/** What the tracks of a group can share. */
export const LINKS: { link: Link; words: string }[] = [
  { link: 'level', words: 'level' },
  { link: 'mute', words: 'mute' },
  { link: 'solo', words: 'solo' },
  { link: 'arm', words: 'arm' },
  { link: 'hear', words: 'hear' },
  { link: 'sends', words: 'send levels' },
]

/** What of a track can be copied to others. */
export const WHAT: { what: What; words: string }[] = [
  { what: 'level', words: 'Level and pan' },
  { what: 'sends', words: 'Sends to cues' },
  { what: 'hear', words: 'Hear' },
  { what: 'polarity', words: 'Polarity' },
  { what: 'chains', words: 'Chains, printed and heard only' },
  { what: 'look', words: 'Colour, mark and folder' },
]
