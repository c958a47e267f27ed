/**
 * Plays stereo samples that arrive in bursts, at whatever rate they were made. It begins once enough are there and then
 * keeps its store near that level by reading up to half a per cent faster or slower; when it runs dry it waits until
 * enough are there again. Now and then it tells for how many seconds it has samples in store.
 */
declare const sampleRate: number
declare function registerProcessor(name: string, type: unknown): void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

const FRAMES = 1 << 16
const AIM_SECONDS = 0.09
const MOST_SECONDS = 0.5
const MOST_CHANGE = 0.005
const TELLING_BLOCKS = 64

/** Samples, left and right by turns, and the rate they were made at. */
interface Arrived {
  samples: Float32Array
  from: number
}

class Jitter extends AudioWorkletProcessor {
  private readonly store = new Float32Array(2 * FRAMES)
  private written = 0
  private read = 0
  private playing = false
  private from = sampleRate
  private blocks = 0

  constructor() {
    super()
    this.port.onmessage = (event: MessageEvent) => this.take(event.data as Arrived | 'empty')
  }

  private get aim() {
    return AIM_SECONDS * this.from
  }

  private take(arrived: Arrived | 'empty') {
    if (arrived === 'empty' || arrived.from !== this.from) {
      this.written = this.read = 0
      this.playing = false
    }
    if (arrived === 'empty') return
    this.from = arrived.from
    const samples = arrived.samples
    for (let n = 0; n < samples.length; n += 2) {
      const at = 2 * (this.written++ % FRAMES)
      this.store[at] = samples[n]!
      this.store[at + 1] = samples[n + 1]!
    }
    if (this.written - this.read > MOST_SECONDS * this.from) this.read = this.written - Math.round(this.aim)
  }

  process(_inputs: Float32Array[][], outputs: Float32Array[][]): boolean {
    const [left, right] = outputs[0] as [Float32Array, Float32Array]
    this.playing ||= this.written - this.read >= this.aim
    if (!this.playing) return true
    if (this.blocks++ % TELLING_BLOCKS === 0) this.port.postMessage((this.written - this.read) / this.from)
    const fill = (this.written - this.read - this.aim) / this.aim
    const speed = (this.from / sampleRate) * (1 + Math.max(-1, Math.min(1, fill)) * MOST_CHANGE)
    for (let n = 0; n < left.length; n++) {
      if (this.read + 1 >= this.written) {
        this.playing = false
        return true
      }
      const whole = Math.floor(this.read)
      const part = this.read - whole
      const here = 2 * (whole % FRAMES)
      const next = 2 * ((whole + 1) % FRAMES)
      left[n] = this.store[here]! * (1 - part) + this.store[next]! * part
      right[n] = this.store[here + 1]! * (1 - part) + this.store[next + 1]! * part
      this.read += speed
    }
    return true
  }
}

registerProcessor('jitter', Jitter)
