import { computed, watch } from 'vue'
import type { Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { useRig } from '@/desk/rig'

/** How the preamps behind the inputs stand, beside how they are wanted. */
export function usePreamps() {
  const desk = useDesk()
  const rig = useRig()

  const preamps = computed(() => new Map(desk.offers.ports.map((port) => [port.id, port.preamp])))
  const settings = computed(() => new Map((desk.live?.preamps ?? []).map((each) => [each.port, each.setting])))
  const byHand = computed(() => new Set((rig.rig?.ports ?? []).filter((port) => !port.remote).map((port) => port.id)))

  const preampOf = (input: Input) => (input.port && preamps.value.get(input.port)) || ''

  /** What is to be known about a gain besides the number that is wanted. */
  function standing(input: Input): string {
    const preamp = preampOf(input)
    if (byHand.value.has(preamp)) return 'by hand'
    const is = settings.value.get(preamp)
    return is && is.gainDb !== input.gainDb ? `is ${is.gainDb}` : ''
  }

  const silent = (input: Input) => (desk.live?.switching ?? []).includes(preampOf(input))

  /** Says when a powered mic's cable may be moved, once the engine has begun to switch its old port. Gives what calls that off. */
  function sayWhenToMove(input: Input): () => void {
    const preamp = preampOf(input)
    if (!settings.value.get(preamp)?.phantom) return () => {}
    const label = rig.rig?.ports.find((port) => port.id === input.port)?.houseLabel ?? input.port
    const stop = watch(
      () => desk.live,
      (live) => {
        stop()
        tell(
          live?.switching.includes(preamp)
            ? `+48 V goes off at ${label} first. Wait until "silent" is gone, then move the cable.`
            : `${label} keeps its +48 V for others. Move the cable of ${input.source} while it is cut.`,
        )
      },
    )
    return stop
  }

  return { standing, silent, sayWhenToMove }
}
