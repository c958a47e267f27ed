import { computed } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from './desk'
import { portOf, sourceOf } from './feeds'

/** Why nobody hears what comes in on a track, though it may sound: in a word for its row, "" if it is heard. */
export function useHushed() {
  const desk = useDesk()

  const switching = computed(() => {
    const preamps = new Set(desk.live?.switching ?? [])
    const ports = preamps.size ? desk.ports : []
    return new Set(ports.filter((port) => port.preamps.some((each) => preamps.has(each))).map((port) => port.id))
  })
  const cut = computed(() => new Set(desk.inputs.filter((input) => input.cut).map((input) => input.id)))

  function hushed(track: Track): string {
    if (switching.value.size && track.feeds.some((feed) => switching.value.has(portOf(desk.session!, feed)))) {
      return 'silent while a switch is thrown'
    }
    if (cut.value.size === 0) return ''
    const inputs = track.feeds.flatMap((feed) => sourceOf(desk.session!, feed).input ?? [])
    return inputs.length && inputs.every((input) => cut.value.has(input)) ? 'input cut' : ''
  }

  return { switching, hushed }
}
