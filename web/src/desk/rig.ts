import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  api,
  type Device,
  type FarEnd,
  type Mic,
  type MicKind,
  type Pair,
  type Paired,
  type Port,
  type Rig,
  type RigEdit,
  type UndoState,
  type Wired,
} from '@/api/client'
import { trying } from './notice'
import { proposing } from './proposals'
import { undoing } from './undoing'

/** The two ends of a cable, as seen from a port: what comes in there, and what goes on from there. */
export type End = 'from' | 'to'

/** The rig of the session on the page, as the server holds it, and everything that is done to it. */
export const useRig = defineStore('rig', () => {
  const rig = shallowRef<Rig | null>(null)
  const undoState = ref<UndoState>({ undo: '', redo: '' })
  /** Where there can be cables at ports and what a signal through them passes; pairs in words. */
  const wired = shallowRef(new Map<string, Wired>())
  const paired = shallowRef(new Map<string, Paired>())
  /** The kinds of mics and DI boxes, in words. */
  const micKinds = shallowRef<MicKind[]>([])
  let id = ''

  const at = computed(() => ({ params: { path: { rig: rig.value!.id } } }))

  async function open(rigId: string) {
    id = rigId
    if (rig.value?.id !== rigId) rig.value = null
    const params = { path: { rig: rigId } }
    const [kinds, got, undo, wiring] = await Promise.all([
      micKinds.value.length ? null : api.GET('/api/rigs/mic-kinds').catch(() => null),
      api.GET('/api/rigs/{rig}', { params }).catch(() => null),
      api.GET('/api/rigs/{rig}/undo', { params }).catch(() => null),
      api.GET('/api/rigs/{rig}/wiring', { params }).catch(() => null),
    ])
    if (kinds?.data) micKinds.value = kinds.data
    if (id !== rigId) return
    if (wiring?.data) {
      wired.value = new Map(wiring.data.ports.map((each) => [each.port, each]))
      paired.value = new Map(wiring.data.pairs.map((each) => [each.pair, each]))
    }
    if (got?.data) rig.value = got.data
    if (undo?.data) undoState.value = undo.data
  }

  const micKind = (mic: Mic) =>
    micKinds.value.find((each) => each.kind === mic.kind) ?? { kind: mic.kind, words: '', phantom: '' }

  /** Makes edits, all or none; a refusal is told beside what was touched. */
  async function edit(edits: RigEdit[]): Promise<boolean> {
    if (edits.length === 0) return true
    const body = { edits, basedOn: null }
    return onItsWay(trying(() => api.POST('/api/rigs/{rig}/edits', { ...at.value, body }).then(() => open(id))))
  }

  const { onItsWay, undo, redo } = undoing({
    undo: (line) =>
      api
        .POST('/api/rigs/{rig}/undo', { params: { path: at.value.params.path, query: { line } } })
        .then(() => open(id)),
    redo: () => api.POST('/api/rigs/{rig}/redo', at.value).then(() => open(id)),
  })

  const ports = computed(() => new Map((rig.value?.ports ?? []).map((port) => [port.id, port])))
  const devices = computed(() => (rig.value?.devices ?? []).filter((device) => !device.retired))
  const tiedTo = computed(() => new Map((rig.value?.ties ?? []).map((tie) => [tie.from, tie.to])))
  const tiedFrom = computed(() => new Map((rig.value?.ties ?? []).map((tie) => [tie.to, tie.from])))
  const pairs = computed(
    () => new Map((rig.value?.pairs ?? []).flatMap((pair) => [pair.left, pair.right].map((port) => [port, pair]))),
  )

  /** A port by its house label; what is not known yet has none. */
  const label = (port: string) => ports.value.get(port)?.houseLabel ?? (rig.value ? port : '')
  const device = (wanted: string): Device | undefined => rig.value?.devices.find((each) => each.id === wanted)
  const portsOf = (of: string, direction: Port['direction']) =>
    (rig.value?.ports ?? []).filter((port) => port.device === of && port.direction === direction)
  const pairOf = (port: string): Pair | undefined => pairs.value.get(port)
  /** What is at the other end of a cable at a port. */
  const otherEnd = (port: string, end: End) => (end === 'to' ? tiedTo : tiedFrom).value.get(port)
  /** The ends of cables that there can be at a port. */
  const endsOf = (port: string): End[] => wired.value.get(port)?.ends ?? []
  /** All that a signal through a port passes, from the first port to the last. */
  const path = (port: string): Port[] =>
    (wired.value.get(port)?.path ?? [port]).flatMap((each) => ports.value.get(each) ?? [])

  /** What could be at the other end of a cable at a port. */
  async function farEnds(port: string, end: End): Promise<FarEnd[]> {
    const params = { path: { ...at.value.params.path, port }, query: { end } }
    return (await api.GET('/api/rigs/{rig}/ports/{port}/far-ends', { params })).data ?? []
  }

  /** To what both outputs of a pair could be tied. */
  async function farEndsOfPair(pair: string): Promise<FarEnd[]> {
    const params = { path: { ...at.value.params.path, pair } }
    return (await api.GET('/api/rigs/{rig}/pairs/{pair}/far-ends', { params })).data ?? []
  }

  const proposed = proposing((edits: RigEdit[]) => edit(edits))

  /** Makes a pair of two ports, a group of more. */
  const together = (chosen: string[]) =>
    proposed(() => api.POST('/api/rigs/{rig}/together', { ...at.value, body: { ports: chosen } }))

  /** An id for something that is to be added, from its name. */
  async function freshId(kind: string, name: string): Promise<string> {
    const answer = await api.GET('/api/rigs/{rig}/fresh-id', {
      params: { path: at.value.params.path, query: { kind, name } },
    })
    return answer.data!.id
  }

  return {
    rig,
    micKinds,
    micKind,
    at,
    undoState,
    devices,
    paired,
    open,
    edit,
    undo,
    redo,
    freshId,
    label,
    device,
    portsOf,
    pairOf,
    otherEnd,
    endsOf,
    path,
    farEnds,
    farEndsOfPair,
    proposed,
    together,
  }
})
