import type { SongOutline } from '@/api/client'

/** The note that a tempo counts. */
export type Note = SongOutline['tempos'][number]['unit']

/** How each is written, in Noto Music. */
export const NOTES: Record<Note, string> = {
  minim: '\u{1D15E}',
  'dotted-crotchet': '\u{1D15F}\u{1D16D}',
  crotchet: '\u{1D15F}',
  'dotted-quaver': '\u{1D160}\u{1D16D}',
  quaver: '\u{1D160}',
}

export const noteWord = (note: Note) => note.replace('-', ' ')
