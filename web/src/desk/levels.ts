/**
 * Live levels, past the page's reactivity: they are written straight into styles, in one animation frame for all.
 * Values are dB as the server's meters give them; a clip count and a guard's hold-back come the same way.
 */
type Painter = (level: number, held: number) => void

let keys: string[] = []
let layout = -1
let values = new Float32Array(0)
let painted = new Float32Array(0)
let fresh = false
const painters = new Map<string, Set<Painter>>()

export function layLevelsOut(number: number, names: string[]) {
  layout = number
  keys = names
}

export function takeLevels(of: number, taken: Float32Array<ArrayBuffer>) {
  if (of !== layout || taken.length !== 2 * keys.length) return
  values = taken
  if (!fresh) {
    fresh = true
    requestAnimationFrame(paint)
  }
}

/** Levels go dark: there is no engine, or no connection to it. What has arrived and waits to be painted is forgotten. */
export function darken() {
  values = new Float32Array(0)
  painted = new Float32Array(0)
  for (const set of painters.values()) for (const painter of set) painter(-120, -120)
}

function paint() {
  fresh = false
  if (values.length !== 2 * keys.length) return
  if (painted.length !== values.length) painted = new Float32Array(values.length).fill(NaN)
  for (let at = 0; at < keys.length; at++) {
    if (values[2 * at] === painted[2 * at] && values[2 * at + 1] === painted[2 * at + 1]) continue
    const set = painters.get(keys[at]!)
    if (set) for (const painter of set) painter(values[2 * at]!, values[2 * at + 1]!)
  }
  painted = values
}

/** Calls a painter with every new value of a key; gives what ends that. */
export function watchLevel(key: string, painter: Painter): () => void {
  painted = new Float32Array(0)
  const set = painters.get(key) ?? new Set()
  painters.set(key, set.add(painter))
  return () => {
    set.delete(painter)
    if (set.size === 0) painters.delete(key)
  }
}
