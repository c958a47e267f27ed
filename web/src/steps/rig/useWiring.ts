import { computed, effectScope } from 'vue'
import type { Device, Pair, Port, Rig, RigEdit } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { freshId } from '@/desk/ids'
import { useRig } from '@/desk/rig'

/** The two ends of a cable, as seen from a port: what comes in there, and what goes on from there. */
export type End = 'from' | 'to'

type Leads = Partial<Record<Device['kind'], Device['kind'][]>>

/** What outputs of a device may be tied to. */
const FROM_OUTPUTS: Leads = {
  interface: ['headphone-amp', 'speakers', 'patch-bay', 'outboard'],
  outboard: ['interface', 'headphone-amp', 'speakers', 'patch-bay'],
}
/** What a signal that enters at a device may go on to. */
const FROM_INPUTS: Leads = {
  'wall-box': ['preamp', 'expander', 'interface', 'patch-bay', 'outboard'],
  preamp: ['interface', 'patch-bay', 'outboard'],
  expander: ['interface'],
  'patch-bay': ['interface', 'preamp', 'expander', 'headphone-amp', 'speakers', 'outboard'],
}
/** Marks a choice that is no cable but outboard, put into a way or taken out of it. */
const THROUGH = 'through/'
const WITHOUT = 'without/'

const SIGNALS = ['mic', 'line', 'instrument', 'digital'] as const

function grouped<T>(pairs: (readonly [string, T])[]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const [key, each] of pairs) groups.set(key, [...(groups.get(key) ?? []), each])
  return groups
}

let shared: ReturnType<typeof wire> | undefined

/** How the rig on the page is wired, in words, and what could be tied to what: worked out once for all who ask. */
export const useWiring = () => (shared ??= effectScope(true).run(wire)!)

function wire() {
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

  const hangsOnOutputs = (each: Device) => ['headphone-amp', 'speakers', 'patch-bay', 'outboard'].includes(each.kind)

  /** The ends of fixed cables that there can be at a port. */
  function endsOf(port: Port): End[] {
    const { kind } = device(port.device)!
    if (port.direction === 'out') return kind in FROM_OUTPUTS ? ['to'] : []
    const ends: End[] = kind in FROM_INPUTS ? ['to'] : []
    return kind === 'patch-bay' || (kind in FROM_INPUTS ? tiedFrom.value.has(port.id) : kind !== 'sound-module')
      ? ['from', ...ends]
      : ends
  }

  function couldTie(from: Port, to: Port) {
    const start = device(from.device)!
    const end = device(to.device)!
    const leads = (from.direction === 'out' ? FROM_OUTPUTS : FROM_INPUTS)[start.kind] ?? []
    return start.id !== end.id && !start.retired && !end.retired && to.direction === 'in' && leads.includes(end.kind)
  }

  /** Where the other end of a cable at a port may be, label first; outboard that is free may go in front of an input. */
  function ends(port: Port, end: End) {
    const cables = rig.value.ports
      .filter((far) => (end === 'to' ? couldTie(port, far) : couldTie(far, port)))
      .map((far) => {
        const there = otherEnd(far, end === 'to' ? 'from' : 'to')
        const instead = there && there !== port.id ? ` · in place of ${label(there)}` : ''
        return { label: `${far.houseLabel} · ${device(far.device)!.name}, ${far.panelName}${instead}`, value: far.id }
      })
    return end === 'to' ? cables : [...inserts(port), ...cables]
  }

  function inserts(port: Port) {
    if (device(port.device)!.kind !== 'interface') return []
    const before = ports.value.get(tiedFrom.value.get(port.id) ?? '')
    const there = before && acrossOutboard(before)
    if (there) return [{ label: `without ${there.houseLabel}`, value: WITHOUT + there.id }]
    return rig.value.ports
      .filter((send) => send.direction === 'in' && !tiedFrom.value.has(send.id))
      .filter((send) => {
        const comesBack = acrossOutboard(send)
        return comesBack && !tiedTo.value.has(comesBack.id)
      })
      .map((send) => ({ label: `through ${send.houseLabel}, inserted`, value: THROUGH + send.id }))
  }

  /** The return of an outboard's send, or the send of its return. */
  function acrossOutboard(port: Port): Port | undefined {
    const own = device(port.device)!
    if (own.kind !== 'outboard' || own.retired) return undefined
    return portsOf(own.id, port.direction === 'in' ? 'out' : 'in').find((far) => far.number === port.number)
  }

  const otherEnd = (port: Port, end: End) => (end === 'to' ? tiedTo : tiedFrom).value.get(port.id)

  function tieEdits(port: Port, end: End, other: string): RigEdit[] {
    if (other.startsWith(THROUGH)) {
      return [{ kind: 'insert-outboard', send: other.slice(THROUGH.length), port: port.id }]
    }
    if (other.startsWith(WITHOUT)) return [{ kind: 'take-out-outboard', send: other.slice(WITHOUT.length) }]
    if (other) {
      return [{ kind: 'tie-ports', from: end === 'to' ? port.id : other, to: end === 'to' ? other : port.id }]
    }
    const from = end === 'to' ? port.id : tiedFrom.value.get(port.id)
    return from && tiedTo.value.has(from) ? [{ kind: 'untie-port', from }] : []
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

  /** Makes two ports a pair, called by both. */
  function pairEdit(left: Port, right: Port): RigEdit {
    const houseLabel = `${left.houseLabel} | ${right.houseLabel}`
    const pair = freshId(houseLabel, rig.value.pairs)
    return { kind: 'pair-ports', pair, left: left.id, right: right.id, houseLabel, feeds: 'nothing' }
  }

  /** Makes ports side by side a group, called by its ends. */
  function groupEdit(run: Port[]): RigEdit {
    const houseLabel = `${run[0]!.houseLabel} to ${run.at(-1)!.houseLabel}`
    const group = freshId(houseLabel, rig.value.groups)
    return { kind: 'group-ports', group, first: run[0]!.id, count: run.length, houseLabel }
  }

  const next = (id: string) => tiedTo.value.get(id) ?? across(id, 'in')
  const before = (id: string) => tiedFrom.value.get(id) ?? across(id, 'out')
  function across(id: string, direction: Port['direction']) {
    const port = ports.value.get(id)
    return port?.direction === direction ? acrossOutboard(port)?.id : undefined
  }

  /** All that a signal through this port passes, from the first port to the last. */
  function path(id: string): Port[] {
    let first = id
    const passed = new Set<string>()
    for (let at: string | undefined = id; at && !passed.has(at); at = before(at)) passed.add((first = at))
    const way = new Set<string>()
    for (let at: string | undefined = first; at && !way.has(at); at = next(at)) way.add(at)
    return [...way].flatMap((each) => ports.value.get(each) ?? [])
  }

  const tracksAt = computed(() =>
    grouped(desk.tracks.flatMap((track) => track.feeds.map((feed) => [feed.port ?? '', track] as const))),
  )
  const inputsAt = computed(() =>
    grouped(desk.inputs.flatMap((input) => input.ports.flatMap(path).map((port) => [port.id, input] as const))),
  )
  /** The tracks that the port feeds by itself, as a sound module's outputs do. */
  const feeds = (port: Port) => tracksAt.value.get(port.id) ?? []
  /** The inputs of this session whose cables go through the port. */
  const usedBy = (port: Port) => inputsAt.value.get(port.id) ?? []

  const takes = (port: Port) =>
    SIGNALS.filter((signal) => port.takes.includes(signal) && device(port.device)!.kind !== 'sound-module')
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
    endsOf,
    ends,
    stereoEnds,
    bothTiedTo,
    tieBoth,
    otherEnd,
    tieEdits,
    pairEdit,
    groupEdit,
    path,
    usedBy,
    feeds,
    takes,
    preampWords,
    panel,
  }
}
