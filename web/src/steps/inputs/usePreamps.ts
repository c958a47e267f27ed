import { computed, watch } from 'vue'
import type { Input } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { useRig } from '@/desk/rig'

/** How the preamps behind the inputs stand, beside how they are wanted. */
export function usePreamps() {
  const desk = useDesk()
  const rig = useRig()

  const preamps = computed(() => new Map(desk.ports.map((port) => [port.id, port.preamps[0] ?? ''])))
  const settings = computed(() => new Map((desk.live?.preamps ?? []).map((each) => [each.port, each.setting])))
  const byHand = computed(() => new Set((rig.rig?.ports ?? []).filter((port) => !port.remote).map((port) => port.id)))

  /** The ports behind which a switch is being thrown. */
  const switching = computed(() => {
    const thrown = new Set(desk.live?.switching ?? [])
    const ports = thrown.size ? desk.ports : []
    return new Set(ports.filter((port) => port.preamps.some((each) => thrown.has(each))).map((port) => port.id))
  })

  const preampsOf = (input: Input) => input.ports.map((port) => preamps.value.get(port) ?? '')

  /** What is to be known about a gain besides the number that is wanted. */
  function standing(input: Input): string {
    const own = preampsOf(input)
    if (own.some((preamp) => byHand.value.has(preamp))) return 'by hand'
    const other = own.map((preamp) => settings.value.get(preamp)).find((is) => is && is.gainDb !== input.gainDb)
    return other ? `is ${other.gainDb}` : ''
  }

  /** Whether nobody hears it just now, since a switch is thrown at its preamp. */
  const silent = (input: Input) => input.ports.some((port) => switching.value.has(port))

  /** Says when a powered mic's cable may be moved, once the engine has begun to switch its old port. Gives what calls that off. */
  function sayWhenToMove(input: Input): () => void {
    const powered = preampsOf(input).filter((preamp) => settings.value.get(preamp)?.phantom)
    if (powered.length === 0) return () => {}
    const label = input.ports.map(rig.label).join(' | ')
    const stop = watch(
      () => desk.live,
      (live) => {
        stop()
        tell(
          powered.some((preamp) => live?.switching.includes(preamp))
            ? `+48 V goes off at ${label} first. Wait until "silent" is gone, then move the cable.`
            : `${label} keeps its +48 V for others. Move the cable of ${input.source} while it is cut.`,
        )
      },
    )
    return stop
  }

  return { standing, silent, sayWhenToMove }
}
