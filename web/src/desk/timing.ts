import { onBeforeUnmount, ref } from 'vue'
import { api, type LoadNow, type TimingSheet } from '@/api/client'
import { useDesk } from './desk'
import { useFetched } from './fetched'
import { useRig } from './rig'

const LOOK_MS = 1000

type Desk = ReturnType<typeof useDesk>

/** What the buffer is for: to record until somebody said otherwise. */
export const purposeOf = (desk: Desk) => desk.session?.monitoring?.purpose ?? 'record'

export function switchPurpose(desk: Desk) {
  return desk.edit([{ kind: 'set-purpose', purpose: purposeOf(desk) === 'record' ? 'mix' : 'record' }])
}

/** How late everybody hears themselves, fetched anew whenever something changes on which it depends. */
export function useTiming() {
  const desk = useDesk()
  const rig = useRig()
  return useFetched<TimingSheet>(
    () => [rig.rig?.revision, desk.notes, desk.live?.playing, desk.live?.switching],
    (at) => api.GET('/api/sessions/{session}/timing', at),
  )
}

/** How much of their time blocks take, looked at once a second. */
export function useLoad() {
  const desk = useDesk()
  const load = ref<LoadNow | null>(null)

  async function look() {
    if (!desk.session || !desk.live || desk.live.fault) {
      load.value = null
      return
    }
    const params = { path: { session: desk.session.id } }
    load.value = (await api.GET('/api/live/{session}/load', { params }).catch(() => null))?.data ?? null
  }

  void look()
  const timer = window.setInterval(look, LOOK_MS)
  onBeforeUnmount(() => clearInterval(timer))
  return load
}
