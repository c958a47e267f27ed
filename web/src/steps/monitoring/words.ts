import type { Delay, PerformerTiming, Stretch } from '@/api/client'

/** What takes time on the way, as one says it. */
export const STRETCHES: Record<Stretch['kind'], string> = {
  'converter-in': 'converter',
  'driver-in': 'driver',
  'buffer-in': 'buffer',
  processing: 'ceiling guard',
  'buffer-out': 'buffer',
  'driver-out': 'driver',
  'converter-out': 'converter',
  matrix: "interface's mixer",
  'not-reported': 'not reported',
  air: 'air',
}

export const ms = (value: number) => `${value.toFixed(value < 10 ? 2 : 1)} ms`

/** A delay part by part. */
export const inWords = (delay: Delay) => delay.parts.map((part) => `${STRETCHES[part.kind]} ${ms(part.ms)}`).join(', ')

export const totalMs = (delay: Delay) =>
  (1000 * delay.parts.reduce((sum, part) => sum + part.frames, 0)) / delay.sampleRate

/** The way that is later; what is shown where only one fits. */
export const later = (timing: PerformerTiming) => timing.engine ?? timing.direct

export const wrong = (timing: { verdict: PerformerTiming['verdict'] }) =>
  timing.verdict === 'late' || timing.verdict === 'twice'
