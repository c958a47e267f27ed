import { computed } from 'vue'
import type { Send, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'

/** Tracks as they stand in a mix: the click first. */
export const inMixOrder = (tracks: Track[]) =>
  [...tracks].sort((a, b) => Number(b.role === 'click') - Number(a.role === 'click'))

/** Finds what a cue hears of a track, if the track is in it. */
export function useSends() {
  const desk = useDesk()
  const sends = computed(
    () => new Map(desk.cues.map((cue) => [cue.id, new Map(cue.sends.map((send) => [send.trackId, send]))])),
  )
  return (cue: string, track: string): Send | undefined => sends.value.get(cue)?.get(track)
}
