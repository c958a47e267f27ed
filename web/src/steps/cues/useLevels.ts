import { computed } from 'vue'
import type { Cue, Edit, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { shown, typed } from '@/parts/scale'

/** A track in a cue. */
export interface Cell {
  cue: Cue
  track: Track
}

/** The levels of all tracks in all cues, as they are read, and how they are written. */
export function useLevels() {
  const desk = useDesk()

  /** The click first. */
  const rows = computed(() => [...desk.tracks].sort((a, b) => Number(b.role === 'click') - Number(a.role === 'click')))
  const sends = computed(
    () => new Map(desk.cues.map((cue) => [cue.id, new Map(cue.sends.map((send) => [send.trackId, send]))])),
  )
  const sendOf = (cue: Cue, track: Track) => sends.value.get(cue.id)?.get(track.id)
  const words = (cue: Cue, track: Track) => {
    const send = sendOf(cue, track)
    return send ? shown(send.level) : ''
  }
  const heard = (cue: Cue, track: Track) => {
    const send = sendOf(cue, track)
    return send && !send.muted && send.level !== 'off'
  }
  const unheard = (track: Track) => !desk.cues.some((cue) => heard(cue, track))
  const silent = (cue: Cue) => !rows.value.some((track) => heard(cue, track))

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

  return { rows, sendOf, words, unheard, silent, set }
}
