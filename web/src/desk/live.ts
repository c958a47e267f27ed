import type { Happening, InputStanding, Session, TrackStanding, UndoState } from '@/api/client'
import type { KindOfPart } from './parts'
import { person } from './person'

/** Where the song is. */
export interface Place {
  playing: boolean
  bar: number
  beat: number
  seconds: number
  beatsPerMinute: number
}

/** What a live connection tells. */
export interface LiveListener {
  hello(told: {
    connection: string
    session: Session
    kinds: KindOfPart[]
    undo: UndoState
    storeTrouble: string
    live: Happening | null
    coming: boolean
    inputs: InputStanding[]
    tracks: TrackStanding[]
  }): void
  /** What keeps changes from being stored; "" if nothing does. */
  storeTrouble(trouble: string): void
  changed(told: { revision: number; changed: Record<string, Record<string, unknown> | null>; undo: UndoState }): void
  rigChanged(revision: number): void
  /** Something was noted beside the rig: what a hand turned, what was measured of it or heard at an outlet. */
  noted(): void
  /** How inputs and tracks stand that stand otherwise than before. */
  standing(inputs: InputStanding[], tracks: TrackStanding[]): void
  /** What is happening, or whether the rig is being taken for the session just now. */
  happening(live: Happening | null, coming: boolean): void
  /** The fields of what is happening that are other than before. */
  happeningChanged(changed: Partial<Happening>): void
  layout(number: number, keys: string[]): void
  levels(layout: number, values: Float32Array<ArrayBuffer>): void
  place(place: Place): void
  audio(sampleRate: number, samples: Float32Array<ArrayBuffer>): void
  /** The session was put into the bin. */
  removed(): void
  lost(): void
}

const HEADER = 16
const METERS = 1
const AUDIO = 2

/** Told nothing for so long, not even that it is alive, a connection counts as lost. */
const SILENT_MS = 15_000

/**
 * Follows a session until closed; a lost connection comes back by itself, a little later each time, and not for all pages at
 * the same moment.
 */
export function follow(session: string, listener: LiveListener): () => void {
  let socket: WebSocket | undefined
  let closed = false
  let wait = 250
  let timer = 0
  let heartbeat = 0

  function open() {
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    socket = new WebSocket(`${scheme}://${location.host}/live/${session}?person=${person}`)
    socket.binaryType = 'arraybuffer'
    socket.onmessage = (event) => {
      heard()
      if (typeof event.data === 'string') text(event.data)
      else binary(event.data)
    }
    socket.onclose = lose
    heard()
  }

  function heard() {
    clearTimeout(heartbeat)
    heartbeat = window.setTimeout(() => {
      if (socket) socket.onclose = null
      socket?.close()
      lose()
    }, SILENT_MS)
  }

  function lose() {
    clearTimeout(heartbeat)
    if (closed) return
    listener.lost()
    timer = window.setTimeout(open, wait * (0.5 + Math.random()))
    wait = Math.min(4000, wait * 2)
  }

  function text(json: string) {
    const told = JSON.parse(json)
    if (told.type === 'hello') {
      wait = 250
      listener.hello(told)
    } else if (told.type === 'session') listener.changed(told)
    else if (told.type === 'rig') listener.rigChanged(told.revision)
    else if (told.type === 'store') listener.storeTrouble(told.trouble)
    else if (told.type === 'turned' || told.type === 'measured') listener.noted()
    else if (told.type === 'removed') listener.removed()
    else if (told.type === 'standing') listener.standing(told.inputs, told.tracks)
    else if (told.type === 'live' && told.changed) listener.happeningChanged(told.changed)
    else if (told.type === 'live') listener.happening(told.live, told.coming)
    else if (told.type === 'meters') listener.layout(told.layout, told.keys)
  }

  function binary(frame: ArrayBuffer) {
    const view = new DataView(frame)
    const type = view.getUint8(0)
    if (type === METERS) {
      listener.place({
        playing: view.getInt32(HEADER + 4, true) === 1,
        bar: view.getInt32(HEADER + 8, true),
        beat: view.getFloat32(HEADER + 12, true),
        seconds: view.getFloat64(HEADER + 16, true),
        beatsPerMinute: view.getFloat32(HEADER + 24, true),
      })
      listener.levels(view.getInt32(HEADER, true), new Float32Array(frame, HEADER + 28))
    } else if (type === AUDIO) {
      listener.audio(view.getUint32(4, true), new Float32Array(frame, HEADER))
    }
  }

  open()
  return () => {
    closed = true
    clearTimeout(timer)
    clearTimeout(heartbeat)
    socket?.close()
  }
}
