import { shallowRef } from 'vue'
import type { InputStanding, TrackStanding } from '@/api/client'

const NO_INPUT: Omit<InputStanding, 'input'> = { tracks: '', place: null, gain: '', silent: false, phantomHarms: '' }
const NO_TRACK: Omit<TrackStanding, 'track'> = {
  inputs: [],
  ports: [],
  players: [],
  cues: [],
  own: [],
  may: [],
  hearers: [],
  fedBy: '',
  offSpeakers: '',
  quiet: '',
  unheard: '',
  effects: [],
  way: { track: '', to: 'main', sum: null, sends: [], outs: [] },
  levelOf: '',
  behindFaders: false,
}

/** What is true of inputs and tracks just now and stands in no field of theirs, as the program tells it. */
export function useStandings() {
  const inputs = shallowRef(new Map<string, InputStanding>())
  const tracks = shallowRef(new Map<string, TrackStanding>())

  /** Takes what is told: all of it, or what is otherwise than before. */
  function stand(toldInputs: InputStanding[], toldTracks: TrackStanding[], all = false) {
    const before = all ? { inputs: [], tracks: [] } : { inputs: inputs.value, tracks: tracks.value }
    inputs.value = new Map([...before.inputs, ...toldInputs.map((each) => [each.input, each] as const)])
    tracks.value = new Map([...before.tracks, ...toldTracks.map((each) => [each.track, each] as const)])
  }

  const inputStandingOf = (input: string) => inputs.value.get(input) ?? { input, ...NO_INPUT }
  const standingOf = (track: string) => tracks.value.get(track) ?? { track, ...NO_TRACK }

  return { stand, inputStandingOf, standingOf }
}
