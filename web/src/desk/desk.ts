import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  api,
  type Command,
  type Edit,
  type Happening,
  type Input,
  type Offers,
  type Session,
  type Track,
  type Turned,
  type UndoState,
} from '@/api/client'
import { asking } from './findings'
import { actsAlone } from './groups'
import { darken, layLevelsOut, takeLevels } from './levels'
import { beginListening, endListening, hear } from './listening'
import { follow, type Place } from './live'
import { trying } from './notice'
import { askAboutPhantom } from './phantom'
import { proposing } from './proposals'
import { outbox } from './outbox'
import { type KindOfPart, gathered, withParts } from './parts'
import { useRig } from './rig'
import { useStandings } from './standings'
import { undoing } from './undoing'

/** The session on the page, as the server holds it, and everything that is done to it. */
export const useDesk = defineStore('desk', () => {
  const session = shallowRef<Session | null>(null)
  const undoState = ref<UndoState>({ undo: '', redo: '' })
  const live = shallowRef<Happening | null>(null)
  /** Whether the rig is being taken for the session just now. */
  const coming = ref(false)
  const place = shallowRef<Place | null>(null)
  const { stand, inputStandingOf, standingOf } = useStandings()
  const offers = shallowRef<Offers>({
    places: [],
    pairs: [],
    waysOut: [],
    tracks: [],
    driver: { sampleRates: [], bufferFrames: [], directMonitoring: false },
  })
  const rig = useRig()
  const { judged, findings, troubles, look } = asking(
    () => session.value?.id,
    () => [session.value?.revision, rig.rig?.revision, live.value?.dropout, live.value?.levelsJudged],
  )
  /** How often something was noted beside the rig while the page was open. */
  const notes = ref(0)
  const connected = ref(false)
  const missing = ref(false)
  /** What keeps changes from being stored; "" if nothing does. */
  const storeTrouble = ref('')
  const listeningTo = ref('')
  /** Whether trims take up what gains change. */
  const holdsEars = ref(false)
  const connection = ref('')
  /** The newest revision that is known to have been missed, and whether it is being fetched. */
  let missed = 0
  let catchingUp = false
  let close = () => {}
  let kinds: KindOfPart[] = []

  const tracks = computed(() => session.value?.tracks ?? [])
  const inputs = computed(() => session.value?.inputs ?? [])
  const cues = computed(() => session.value?.cues ?? [])
  const performers = computed(() => session.value?.performers ?? [])
  /** Where a single cable can go. */
  const ports = computed(() =>
    offers.value.places.flatMap((place) => {
      const [id, ...more] = place.ports
      return id && more.length === 0 ? [{ ...place, id }] : []
    }),
  )
  const at = computed(() => ({ params: { path: { session: session.value!.id } } }))

  const through = computed(() =>
    gathered(
      inputs.value.flatMap((input) =>
        input.ports.flatMap((port) => rig.path(port).map((passed): [string, Input] => [passed.id, input])),
      ),
    ),
  )
  const fedDirectly = computed(() =>
    gathered(tracks.value.flatMap((track) => track.feeds.map((feed): [string, Track] => [feed.port ?? '', track]))),
  )
  /** The inputs of this session whose cables go through a port. */
  const inputsThrough = (port: string) => through.value.get(port) ?? []
  /** The tracks that a port feeds by itself, as a sound module's outputs do. */
  const tracksFedBy = (port: string) => fedDirectly.value.get(port) ?? []

  function open(id: string) {
    leave()
    missing.value = false
    api.GET('/api/sessions/{session}', { params: { path: { session: id } } }).catch(() => (missing.value = true))
    close = follow(id, {
      hello(told) {
        connected.value = true
        connection.value = told.connection
        kinds = told.kinds
        session.value = told.session
        undoState.value = told.undo
        live.value = told.live
        coming.value = told.coming
        stand(told.inputs, told.tracks, true)
        storeTrouble.value = told.storeTrouble
        void flush(told.session.id)
        void rig.open(told.session.rigId)
        if (listeningTo.value) void command({ kind: 'listen', connection: connection.value, to: listeningTo.value })
      },
      storeTrouble: (trouble) => (storeTrouble.value = trouble),
      changed(told) {
        if (!session.value || told.revision <= session.value.revision) return
        if (told.revision > session.value.revision + 1) return void catchUp(told.revision)
        session.value = withParts(kinds, session.value, told.revision, told.changed)
        undoState.value = told.undo
      },
      rigChanged(revision) {
        if (rig.rig && rig.rig.revision < revision) void rig.open(rig.rig.id)
      },
      noted() {
        notes.value++
        look()
      },
      standing: stand,
      happening,
      happeningChanged(changed) {
        if (live.value) happening({ ...live.value, ...changed }, false)
      },
      layout: layLevelsOut,
      levels: takeLevels,
      place: (told) => (place.value = told),
      audio: hear,
      removed() {
        leave()
        missing.value = true
      },
      lost() {
        connected.value = false
        live.value = null
        goDark()
      },
    })
  }

  /** Fetches the session afresh when a change of it was missed; what is typed on the page stays. */
  async function catchUp(revision: number) {
    missed = Math.max(missed, revision)
    if (catchingUp) return
    catchingUp = true
    while (session.value && session.value.revision < missed) {
      const answer = await api.GET('/api/sessions/{session}', at.value).catch(() => null)
      if (!answer?.data) break
      if (session.value?.id === answer.data.id && session.value.revision < answer.data.revision) {
        session.value = answer.data
      }
    }
    catchingUp = false
  }

  function happening(told: Happening | null, comes: boolean) {
    live.value = told
    coming.value = comes
    if (!told || told.fault) goDark()
  }

  function goDark() {
    place.value = null
    darken()
  }

  function leave() {
    close()
    close = () => {}
    session.value = null
    missed = 0
    live.value = null
    listeningTo.value = ''
    void endListening()
    goDark()
  }

  /** Makes edits, all or none; a refusal is told beside what was touched. Without a connection they wait. */
  function edit(edits: Edit[], gesture: string | null = null, alone = actsAlone()): Promise<boolean> {
    if (edits.length === 0) return Promise.resolve(true)
    const asked = askAboutPhantom(edits, inputs.value, inputStandingOf)
    if (asked) return asked.then((yes) => yes && send(edits, gesture, alone))
    return send(edits, gesture, alone)
  }

  function send(edits: Edit[], gesture: string | null, alone: boolean): Promise<boolean> {
    return onItsWay(trying(() => put(session.value!.id, { edits, gesture, alone })))
  }

  const { unsent, put, flush, takeBack } = outbox((to, change) =>
    api.POST('/api/sessions/{session}/edits', {
      params: { path: { session: to } },
      body: { ...change, basedOn: null },
    }),
  )

  const { onItsWay, undo, redo } = undoing({
    undo: async (line) =>
      (line === undefined && takeBack(session.value!.id)) ||
      api.POST('/api/sessions/{session}/undo', { params: { path: at.value.params.path, query: { line } } }),
    redo: () => api.POST('/api/sessions/{session}/redo', at.value),
  })

  /** The inputs that feed no track. */
  const unmapped = computed(() => inputs.value.filter((input) => !inputStandingOf(input.id).tracks))

  /** An id for something that is to be added, from its name. */
  async function freshId(kind: string, name: string): Promise<string> {
    const asked = { params: { path: at.value.params.path, query: { kind, name } } }
    const answer = await api.GET('/api/sessions/{session}/fresh-id', asked)
    return answer.data!.id
  }

  function command(wanted: Command): Promise<boolean> {
    return trying(() => api.POST('/api/live/{session}/commands', { ...at.value, body: wanted }))
  }

  const playOrStop = () => command(live.value?.playing ? { kind: 'stop' } : { kind: 'play', bar: null })
  const cutHeadphones = () => command({ kind: 'cut-headphones', cut: !live.value?.headphonesCut, cue: null })

  /** Sends this browser what leaves an output: "main", a cue's id, or "" for nothing. */
  async function listen(to: string) {
    if (to) await beginListening()
    else await endListening()
    if (await command({ kind: 'listen', connection: connection.value, to })) listeningTo.value = to
  }

  /** Makes edits of the list, gains among them; while ears are held, trims take the difference. */
  async function editGains(edits: Edit[]): Promise<boolean> {
    const gains = edits.flatMap((each) =>
      each.kind === 'set-input-gain' && each.gainDb !== null ? [{ input: each.input, gainDb: each.gainDb }] : [],
    )
    if (!holdsEars.value || gains.length === 0) return edit(edits)
    const others = edits.filter((each) => each.kind !== 'set-input-gain' || each.gainDb === null)
    return proposed(async () => {
      const held = await api.POST('/api/sessions/{session}/preamps/hold-ears', { ...at.value, body: { gains } })
      return { data: { edits: [...others, ...(held.data?.edits ?? [])] } }
    })
  }

  /** Notes how a preamp stands that only a hand can turn; while ears are held, trims follow one that was turned down. */
  function noteTurned(turned: Turned): Promise<boolean> {
    const note = () => api.POST('/api/sessions/{session}/preamps/turned', { ...at.value, body: turned })
    return holdsEars.value ? proposed(note) : trying(note)
  }

  const proposed = proposing((edits: Edit[]) => edit(edits))

  const offersDependOn = computed(() => [
    session.value?.id,
    session.value?.inputs,
    session.value?.tracks.map((track) => `${track.id} ${track.name} ${track.width}`).join(),
    session.value?.sampleRate,
    session.value?.cues.map((cue) => `${cue.id} ${cue.name} ${cue.output}`).join(),
    session.value?.controlRoom?.sources.map((each) => `${each.name} ${each.first} ${each.width}`).join(),
    rig.rig?.revision,
  ])
  watch(offersDependOn, async (now, before) => {
    if (!session.value || (before && now.every((each, index) => each === before[index]))) return
    const answer = await api.GET('/api/sessions/{session}/offers', at.value).catch(() => null)
    if (answer?.data) offers.value = answer.data
  })

  watch(cues, (now) => {
    if (listeningTo.value && listeningTo.value !== 'main' && !now.some((cue) => cue.id === listeningTo.value)) {
      listeningTo.value = ''
      void endListening()
    }
  })

  return {
    session,
    tracks,
    inputs,
    cues,
    performers,
    undoState,
    live,
    coming,
    place,
    offers,
    ports,
    judged,
    findings,
    troubles,
    notes,
    connected,
    missing,
    storeTrouble,
    inputStandingOf,
    unmapped,
    standingOf,
    inputsThrough,
    tracksFedBy,
    freshId,
    listeningTo,
    connection,
    holdsEars,
    open,
    leave,
    edit,
    editGains,
    noteTurned,
    proposed,
    undo,
    redo,
    unsent,
    command,
    playOrStop,
    cutHeadphones,
    listen,
  }
})
