import { computed } from 'vue'
import { api, type Command, type ControlRoomSheet } from '@/api/client'
import { useDesk } from './desk'
import { useFetched } from './fetched'
import { useRig } from './rig'

type Desk = ReturnType<typeof useDesk>
type Switch = Omit<Extract<Command, { kind: 'switch-control-room' }>, 'kind'>

const AS_IT_IS: Switch = {
  hears: null,
  speakers: null,
  dimmed: null,
  mono: null,
  muted: null,
  swapped: null,
  flipped: null,
  listening: null,
}

/** Lets the control room hear something else, or otherwise. */
export function switchControlRoom(desk: Desk, wanted: Partial<Switch>) {
  return desk.command({ kind: 'switch-control-room', ...AS_IT_IS, ...wanted })
}

export const dimOrNot = (desk: Desk) => switchControlRoom(desk, { dimmed: !desk.live?.controlRoom.state.dimmed })
export const muteOrNot = (desk: Desk) => switchControlRoom(desk, { muted: !desk.live?.controlRoom.state.muted })

/** How the control room is set up, and what follows from that and from what it listens to. */
export function useControlRoom() {
  const desk = useDesk()
  const rig = useRig()
  const sheet = useFetched<ControlRoomSheet>(
    () => [rig.rig?.revision, desk.live === null],
    (at) => api.GET('/api/sessions/{session}/control-room', at),
  )
  return {
    settings: computed(() => desk.session?.controlRoom ?? sheet.value?.settings),
    standing: computed(() => desk.live?.controlRoom ?? sheet.value?.standing),
    rooms: computed(() => sheet.value?.rooms ?? []),
    outputs: computed(() => sheet.value?.outputs ?? []),
    mainOutputs: computed(() => sheet.value?.mainOutputs ?? []),
  }
}
