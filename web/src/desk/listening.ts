import jitter from './jitter.worklet.ts?worker&url'

/** The browser's own speaker for what the converters gave out. It must be begun by something a person pressed. */
const RATE = 48000

let context: AudioContext | undefined
let node: AudioWorkletNode | undefined
let wanted = false
let stored = 0

export async function beginListening() {
  wanted = true
  if (!context) {
    context = new AudioContext({ sampleRate: RATE, latencyHint: 'interactive' })
    await context.audioWorklet.addModule(jitter)
    node = new AudioWorkletNode(context, 'jitter', { numberOfInputs: 0, outputChannelCount: [2] })
    node.port.onmessage = (event: MessageEvent<number>) => (stored = event.data)
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

/** How much later one hears here what leaves the converters, in seconds; 0 while nobody listens in this browser. */
export function heardLate() {
  return wanted && context ? stored + context.baseLatency + (context.outputLatency || 0) : 0
}

export function hear(sampleRate: number, samples: Float32Array<ArrayBuffer>) {
  if (wanted && node) node.port.postMessage({ samples, from: sampleRate })
}
