import jitter from './jitter.worklet.ts?worker&url'

/** The browser's own speaker for what the converters gave out. It must be begun by something a person pressed. */
const RATE = 48000

let context: AudioContext | undefined
let node: AudioWorkletNode | undefined
let wanted = false

export async function beginListening() {
  wanted = true
  if (!context) {
    context = new AudioContext({ sampleRate: RATE, latencyHint: 'interactive' })
    await context.audioWorklet.addModule(jitter)
    node = new AudioWorkletNode(context, 'jitter', { numberOfInputs: 0, outputChannelCount: [2] })
    node.connect(context.destination)
  }
  node?.port.postMessage('empty')
  await context.resume()
}

export async function endListening() {
  wanted = false
  node?.port.postMessage('empty')
  await context?.suspend()
}

export function hear(sampleRate: number, samples: Float32Array<ArrayBuffer>) {
  if (wanted && node) node.port.postMessage({ samples, from: sampleRate })
}
