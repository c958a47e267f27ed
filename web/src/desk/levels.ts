/**
 * Live levels, past the page's reactivity: whoever shows them is told once for each frame that arrives and asks for what it
 * needs. Values are dB as the server's meters give them; how often an input clipped, with the seconds
 * since, and a guard's hold-back come the same way.
 */
const DARK = -120

let places = new Map<string, number>()
let layout = -1
let values = new Float32Array(0)
let fresh = false
const viewers = new Set<() => void>()
const readers = new Set<() => void>()
/** Readers are told of every so manieth frame. */
const READ_EVERY = 10
let frames = 0

export function layLevelsOut(number: number, names: string[]) {
  layout = number
  places = new Map(names.map((name, place) => [name, place]))
}

export function takeLevels(of: number, taken: Float32Array<ArrayBuffer>) {
  if (of !== layout || taken.length !== 2 * places.size) return
  values = taken
  tellSoon()
}

/** Levels go dark: there is no engine, or no connection to it. */
export function darken() {
  values = new Float32Array(0)
  frames = 0
  tellSoon()
}

function tellSoon() {
  if (fresh) return
  fresh = true
  requestAnimationFrame(() => {
    fresh = false
    for (const viewer of viewers) viewer()
    if (frames++ % READ_EVERY === 0) for (const reader of readers) reader()
  })
}

/** A level as it is now. */
export function levelOf(key: string): number {
  const place = places.get(key)
  return place === undefined ? DARK : (values[2 * place] ?? DARK)
}

/** The highest that a level was of late. */
export function peakOf(key: string): number {
  const place = places.get(key)
  return place === undefined ? DARK : (values[2 * place + 1] ?? DARK)
}

/** Calls a viewer in the animation frame after each frame of levels; gives what ends that. */
export function onLevels(viewer: () => void): () => void {
  viewers.add(viewer)
  return () => viewers.delete(viewer)
}

/** Calls a reader now and then, for what is read and not watched; gives what ends that. */
export function readLevels(reader: () => void): () => void {
  readers.add(reader)
  return () => readers.delete(reader)
}
