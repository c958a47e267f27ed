import { computed } from 'vue'
import type { Cue, Edit, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { placeOf, shown, typed } from '@/parts/scale'
import { inMixOrder, useSends } from './useSends'

/** A track in a cue. */
export interface Cell {
  cue: Cue
  track: Track
}

/** The levels of all tracks in all cues, as they are read, and how they are written. */
export function useLevels() {
  const desk = useDesk()

  const rows = computed(() => inMixOrder(desk.tracks))
  const find = useSends()
  const sendOf = (cue: Cue, track: Track) => find(cue.id, track.id)
  const words = (cue: Cue, track: Track) => {
    const send = sendOf(cue, track)
    return send ? shown(send.level) : ''
  }
  const heardIn = (track: Track) => desk.standingOf(track.id).cues
  const unheard = (track: Track) => heardIn(track).length === 0
  const hearing = computed(() => new Set(desk.tracks.flatMap(heardIn)))
  const silent = (cue: Cue) => !hearing.value.has(cue.id)

  /** The louder, the stronger the tint. */
  function tint(cue: Cue, track: Track) {
    const send = sendOf(cue, track)
    if (!send || send.level === 'off') return undefined
    return { '--tint': `${Math.round(48 * (send.muted ? 0 : placeOf(send.level) ** 2))}%` }
  }

  /** Writes levels; of what is no level it is said, and nothing is written. Empty cells stay as they are. */
  function set<C extends Cell>(cells: C[], texts: (cell: C) => string): Promise<unknown> {
    const edits: Edit[] = []
    for (const cell of cells) {
      const { cue, track } = cell
      const text = texts(cell)
      if (!text.trim() || text === words(cue, track)) continue
      const level = typed(text)
      if (level === null) return Promise.resolve(tell(`"${text}" is no level. Type a number of dB, or off.`))
      edits.push({ kind: 'set-send-level', cue: cue.id, track: track.id, level })
    }
    return edits.length ? desk.edit(edits, null, true) : Promise.resolve()
  }

  return { rows, sendOf, words, unheard, silent, tint, set }
}
