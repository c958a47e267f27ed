import { ref } from 'vue'
import { useDesk } from './desk'
import { tell } from './notice'
import { person } from './person'

/** Who shall sound a WAV file: a backing track, or a voice of the click; a new backing track if nobody is named. */
export type Sounding = { track?: string } | { voice: string }

/** Sends a WAV file to be sounded. It can be broken off. */
export function useUpload() {
  const desk = useDesk()
  /** What is on its way, and how much of it has arrived, from 0 to 1. */
  const going = ref<{ name: string; share: number } | null>(null)
  let request: XMLHttpRequest | null = null

  function send(file: File, by: Sounding = {}) {
    if (request) return tell('Another file is on its way. Wait until it is there, or cancel it.')
    const query = new URLSearchParams({ name: file.name, ...by })
    const sending = new XMLHttpRequest()
    request = sending
    going.value = { name: file.name, share: 0 }
    sending.open('POST', `/api/sessions/${desk.session!.id}/media?${query}`)
    sending.setRequestHeader('Content-Type', 'audio/wav')
    sending.setRequestHeader('Lantern-Person', person)
    sending.upload.onprogress = (event) => (going.value = { name: file.name, share: event.loaded / event.total })
    sending.onload = () => {
      if (sending.status >= 400) tell(sentence(sending.responseText) ?? `The program answered ${sending.status}.`)
    }
    sending.onerror = () => tell(`"${file.name}" did not arrive; nothing of it was kept. Try again.`)
    sending.onloadend = () => {
      request = null
      going.value = null
    }
    sending.send(file)
  }

  return { going, send, cancel: () => request?.abort() }
}

function sentence(answer: string): string | undefined {
  try {
    return (JSON.parse(answer) as { detail?: string }).detail
  } catch {
    return undefined
  }
}
