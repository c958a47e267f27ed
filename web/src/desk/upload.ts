import { useDesk } from './desk'
import { trying } from './notice'
import { useSending } from './sending'

/** Who shall sound a WAV file: a backing track, or a voice of the click; a new backing track if nobody is named. */
export type Sounding = { track?: string } | { voice: string }

/** Sends a WAV file to be sounded. It can be broken off. */
export function useUpload() {
  const desk = useDesk()
  const { going, send: post, cancel } = useSending()

  function send(file: File, by: Sounding = {}) {
    const query = new URLSearchParams({ name: file.name, ...by })
    return trying(async () => post(`/api/sessions/${desk.session!.id}/media?${query}`, 'audio/wav', file))
  }

  return { going, send, cancel }
}
