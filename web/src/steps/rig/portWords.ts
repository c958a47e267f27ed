import type { Port } from '@/api/client'

const SIGNALS = ['mic', 'line', 'instrument', 'digital'] as const

/** What may come in at a port. */
export const accepts = (port: Port) =>
  SIGNALS.filter((signal) => port.takes.includes(signal))
    .map((signal) => (signal === 'instrument' ? 'inst' : signal))
    .join(' ')

/** What a preamp can do: "48 V 1-4 · 0…60 dB". */
export function preampWords(port: Port) {
  const phantom = port.phantom ? [`48 V${port.bank ? ` ${port.bank}` : ''}`] : []
  const gain = port.gain.stepDb > 0 ? [`${port.gain.minDb}…${port.gain.maxDb} dB`] : []
  return [...phantom, ...gain].join(' · ')
}
