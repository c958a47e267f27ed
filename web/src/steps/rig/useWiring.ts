import { computed } from 'vue'
import type { Device, Pair, Port, Rig, RigEdit } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useRig } from '@/desk/rig'

const SIGNALS = ['mic', 'line', 'instrument', 'digital'] as const

/** How the rig on the page is wired, in words, and what could be tied to what. */
export function useWiring() {
  const desk = useDesk()
  const store = useRig()
  const rig = computed<Rig>(() => store.rig!)
  const ports = computed(() => new Map(rig.value.ports.map((port) => [port.id, port])))
  const devices = computed(() => rig.value.devices.filter((device) => !device.retired))
  const tiedTo = computed(() => new Map(rig.value.ties.map((tie) => [tie.from, tie.to])))
  const tiedFrom = computed(() => new Map(rig.value.ties.map((tie) => [tie.to, tie.from])))

  const portsOf = (device: string, direction: Port['direction']) =>
    rig.value.ports.filter((port) => port.device === device && port.direction === direction)
  const label = (id: string | undefined) => (id ? (ports.value.get(id)?.houseLabel ?? id) : '')
  const device = (id: string) => rig.value.devices.find((each) => each.id === id)
  const pairOf = (port: string) => rig.value.pairs.find((pair) => pair.left === port || pair.right === port)

  /** Whether a signal ends in this device instead of going on from it. */
  const takesIn = (each: Device) => each.kind === 'interface'
  const hangsOnOutputs = (each: Device) => ['headphone-amp', 'speakers', 'patch-bay', 'outboard'].includes(each.kind)

  /** Where the other end of a port's cable may be, label first. */
  function ends(port: Port) {
    const own = device(port.device)!
    const fits = (far: Port) => {
      const other = device(far.device)!
      if (other.id === own.id || other.retired) return false
      if (port.direction === 'out') return far.direction === 'in' && hangsOnOutputs(other)
      if (hangsOnOutputs(own)) return far.direction === 'out' && !hangsOnOutputs(other)
      if (far.direction === 'out' || hangsOnOutputs(other)) return false
      return takesIn(own) ? !takesIn(other) : takesIn(other) || other.kind !== 'wall-box'
    }
    return rig.value.ports
      .filter(fits)
      .map((far) => ({ label: `${far.houseLabel} · ${device(far.device)!.name}, ${far.panelName}`, value: far.id }))
  }

  /** Whether a tie begins at the port or ends in it. */
  const begins = (port: Port) => {
    const own = device(port.device)!
    return port.direction === 'out' || !(takesIn(own) || hangsOnOutputs(own))
  }
  const otherEnd = (port: Port) => (begins(port) ? tiedTo.value.get(port.id) : tiedFrom.value.get(port.id))

  function tieEdits(port: Port, other: string): RigEdit[] {
    const from = begins(port) ? port.id : ((other || tiedFrom.value.get(port.id)) ?? '')
    if (!other) return tiedTo.value.has(from) ? [{ kind: 'untie-port', from }] : []
    return [{ kind: 'tie-ports', from, to: begins(port) ? other : port.id }]
  }

  /** Where both outputs of a pair can go on by ties: two inputs side by side of what hangs on outputs, label first. */
  const stereoEnds = () =>
    devices.value
      .filter((each) => hangsOnOutputs(each))
      .flatMap((each) => {
        const ins = portsOf(each.id, 'in')
        return ins
          .filter((port, at) => at % 2 === 0 && at + 1 < ins.length)
          .map((port) => {
            const next = ins[ins.indexOf(port) + 1]!
            const sockets = ins.length > 2 ? `, ${port.number} and ${next.number}` : ''
            return { label: `${each.name}${sockets}`, value: `${port.id}|${next.id}` }
          })
      })

  const bothTiedTo = (pair: Pair) =>
    tiedTo.value.has(pair.left) ? `${tiedTo.value.get(pair.left)}|${tiedTo.value.get(pair.right) ?? ''}` : ''

  function tieBoth(pair: Pair, ends: string): RigEdit[] {
    const [left = '', right = ''] = ends.split('|')
    if (ends) {
      return [
        { kind: 'tie-ports', from: pair.left, to: left },
        { kind: 'tie-ports', from: pair.right, to: right },
      ]
    }
    return [pair.left, pair.right]
      .filter((port) => tiedTo.value.has(port))
      .map((from) => ({ kind: 'untie-port' as const, from }))
  }

  /** All that a signal through this port passes by ties, from the first port to the last. */
  function path(id: string): Port[] {
    let first = id
    for (let n = 0; tiedFrom.value.has(first) && n < rig.value.ties.length; n++) first = tiedFrom.value.get(first)!
    const way: Port[] = []
    for (let at: string | undefined = first; at && way.length <= rig.value.ties.length; at = tiedTo.value.get(at)) {
      const port = ports.value.get(at)
      if (port) way.push(port)
    }
    return way
  }

  /** The inputs of this session whose cables go through the port. */
  function usedBy(port: Port) {
    return desk.inputs.filter((input) => input.port && path(input.port).some((each) => each.id === port.id))
  }

  const takes = (port: Port) =>
    SIGNALS.filter((signal) => port.takes.includes(signal))
      .map((signal) => (signal === 'instrument' ? 'inst' : signal))
      .join(' ')

  /** What a preamp can do: "48 V 1-4 · 0…60 dB". */
  function preampWords(port: Port) {
    const phantom = port.phantom ? [`48 V${port.bank ? ` ${port.bank}` : ''}`] : []
    const gain = port.gain.stepDb > 0 ? [`${port.gain.minDb}…${port.gain.maxDb} dB`] : []
    return [...phantom, ...gain].join(' · ')
  }

  /** A pair's sockets as the maker numbered them: "Out 3, 4". */
  function panel(pair: Pair) {
    const left = ports.value.get(pair.left)?.panelName ?? pair.left
    const right = ports.value.get(pair.right)?.panelName ?? pair.right
    const word = left.lastIndexOf(' ') + 1
    return right.startsWith(left.slice(0, word)) ? `${left}, ${right.slice(word)}` : `${left}, ${right}`
  }

  return {
    rig,
    devices,
    ports,
    portsOf,
    label,
    device,
    pairOf,
    ends,
    stereoEnds,
    bothTiedTo,
    tieBoth,
    begins,
    otherEnd,
    tieEdits,
    path,
    usedBy,
    takes,
    preampWords,
    panel,
  }
}
