import { ref } from 'vue'
import { Problem } from '@/api/client'
import { person } from './person'

/** A file on its way. */
export interface Going {
  name: string
  /** How much of it has arrived, from 0 to 1. */
  share: number
}

/** Sends files, one after the other, whose arrival can be watched and cancelled. */
export function useSending() {
  const going = ref<Going | null>(null)
  let request: XMLHttpRequest | null = null

  /** What the program answers; nothing if it was cancelled. Throws what went wrong, as a sentence. */
  function send<Answer>(path: string, type: string, file: File): Promise<Answer | undefined> {
    if (request) throw new Problem('Another file is on its way. Wait until it is there, or cancel it.')
    const sending = new XMLHttpRequest()
    request = sending
    going.value = { name: file.name, share: 0 }
    return new Promise<Answer | undefined>((arrived, failed) => {
      sending.open('POST', path)
      sending.setRequestHeader('Content-Type', type)
      sending.setRequestHeader('Lantern-Person', person)
      sending.upload.onprogress = (event) => (going.value = { name: file.name, share: event.loaded / event.total })
      sending.onload = () => {
        const told = answered<Answer & { detail?: string }>(sending.responseText)
        if (sending.status < 400) arrived(told)
        else failed(new Problem(told?.detail ?? `The program answered ${sending.status}.`))
      }
      sending.onerror = () => failed(new Problem(`"${file.name}" did not arrive; nothing of it was kept. Try again.`))
      sending.onabort = () => arrived(undefined)
      sending.send(file)
    }).finally(() => {
      request = null
      going.value = null
    })
  }

  return { going, send, cancel: () => request?.abort() }
}

function answered<Answer>(text: string): Answer | undefined {
  try {
    return JSON.parse(text) as Answer
  } catch {
    return undefined
  }
}
