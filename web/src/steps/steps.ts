import type { Component } from 'vue'
import { dimOrNot, muteOrNot, switchControlRoom } from '@/desk/controlRoom'
import { allSwitched, switchWords } from '@/desk/chains'
import type { useDesk } from '@/desk/desk'
import type { useRig } from '@/desk/rig'
import { purposeOf, switchPurpose } from '@/desk/timing'

type Desk = ReturnType<typeof useDesk>
type RigStore = ReturnType<typeof useRig>

/** Something that can be done from anywhere, found by its words. */
export interface Doable {
  words: string
  /** The key that does it too. */
  key?: string
  act: () => unknown
}

/** A step of the work. The way to it, its key, its line at the left, what it adds to the command box and to the list of keys. */
export interface Step {
  path: string
  title: string
  view: () => Promise<Component>
  /** How far it is, in a few words. */
  state: (desk: Desk, rig: RigStore) => string
  actions?: (desk: Desk) => Doable[]
  /** The keys that work in it, and what they do. */
  keys?: [string, string][]
}

const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

/** In the order of the work. */
export const STEPS: Step[] = [
  {
    path: 'rig',
    title: 'Rig',
    view: () => import('./rig/RigView.vue'),
    state: (_desk, { rig }) =>
      rig ? `${rig.name}, ${many(rig.devices.filter((device) => !device.retired).length, 'device')}` : 'opening',
  },
  {
    path: 'input-list',
    title: 'Input list',
    view: () => import('./inputs/InputListView.vue'),
    state: (desk) => {
      if (desk.inputs.length === 0) return 'no inputs yet'
      const without = desk.unmapped.length
      return `${many(desk.inputs.length, 'input')}, ${without ? `${without} without a track` : 'all on tracks'}`
    },
    keys: [
      ['Enter, F2, typing', 'change a cell'],
      ['Shift ↑ ↓', 'select rows'],
      ['Ctrl Enter', 'count up over the selected rows'],
      ['Ctrl D', 'fill a cell down over the selected rows'],
      ['Insert, Alt ↑ ↓', 'insert a row, move it'],
      ['Ctrl C, Ctrl V', 'copy rows, paste from a spreadsheet'],
    ],
  },
  {
    path: 'tracks',
    title: 'Tracks',
    view: () => import('./tracks/TracksView.vue'),
    state: (desk) => `${many(desk.tracks.length, 'track')}, ${desk.tracks.filter((track) => track.armed).length} armed`,
    actions: (desk) => [
      { words: 'Listen to the speakers', act: () => desk.listen('main') },
      {
        words: switchWords(desk.session?.chains ?? []),
        key: 'X',
        act: () => desk.session && desk.edit(allSwitched(desk.session.chains)),
      },
    ],
  },
  {
    path: 'monitoring',
    title: 'Monitoring',
    view: () => import('./monitoring/MonitoringView.vue'),
    state: (desk) => {
      const late = desk.findings.filter((each) => !each.acknowledged && each.topic === 'late')
      if (late.length === 0) return desk.performers.length ? 'everybody in time' : 'no performers yet'
      return late.length === 1 ? late[0]!.sentence.replace(/\.$/, '') : `${late.length} hear themselves late or twice`
    },
    actions: (desk) => [
      {
        words: purposeOf(desk) === 'record' ? 'Set the buffer to mix' : 'Set the buffer to record',
        key: 'L',
        act: () => switchPurpose(desk),
      },
      { words: 'Dim the speakers, or let them back', key: 'D', act: () => dimOrNot(desk) },
      { words: 'Mute the speakers, or let them back', key: 'M', act: () => muteOrNot(desk) },
      { words: 'Hear the main mix in the control room', act: () => switchControlRoom(desk, { hears: 'main' }) },
      ...desk.cues
        .filter((cue) => cue.output)
        .map((cue) => ({
          words: `Hear cue ${cue.name} in the control room`,
          act: () => switchControlRoom(desk, { hears: `cue/${cue.id}` }),
        })),
    ],
    keys: [['↑ ↓', 'another performer']],
  },
  {
    path: 'click',
    title: 'Click',
    view: () => import('./click/ClickView.vue'),
    state: (desk) => {
      const session = desk.session!
      const [tempo] = session.tempoMap.tempos
      const [meter] = session.tempoMap.meters
      const click = desk.tracks.filter((track) => track.role === 'click')
      const heard = new Set(click.flatMap((track) => desk.standingOf(track.id).cues))
      return `${tempo!.beatsPerMinute} in ${meter!.beats}/${meter!.noteValue}, in ${heard.size} of ${many(desk.cues.length, 'cue')}`
    },
  },
  {
    path: 'cues',
    title: 'Cues',
    view: () => import('./cues/CuesView.vue'),
    state: (desk) => {
      if (desk.cues.length === 0) return 'no cues yet'
      const listeners = new Set(desk.cues.flatMap((cue) => cue.listeners))
      return `${many(desk.cues.length, 'cue')} for ${many(listeners.size, 'performer')}`
    },
    actions: (desk) =>
      desk.cues
        .filter((cue) => cue.output)
        .map((cue) => ({ words: `Listen to ${cue.name}`, act: () => desk.listen(cue.id) })),
  },
]

/** What stands beside the steps: the songs of the production, and what was changed. */
export const BESIDE: Pick<Step, 'path' | 'title' | 'view'>[] = [
  { path: 'songs', title: 'Song list', view: () => import('./songs/SongsView.vue') },
  { path: 'history', title: 'History', view: () => import('./history/HistoryView.vue') },
]
