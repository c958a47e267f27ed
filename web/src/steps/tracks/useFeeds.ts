import { computed, ref } from 'vue'
import { api, type Feed, type OfferedFeed, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { portOf, same, sourceOf } from '@/desk/feeds'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'

const NOTHING = -1

/** What feeds a track's channels: inputs of the list, or ports that no input names. */
export function useFeeds() {
  const desk = useDesk()

  const rig = useRig()

  function words(feed: Feed): string {
    const port = portOf(desk.session!, feed)
    if (port) return rig.label(port)
    const input = desk.inputs.find((each) => each.id === sourceOf(desk.session!, feed).input)
    return input ? `${input.source}, no port` : ''
  }

  /** The ports a track is fed from, by their house labels; "" if nothing feeds it. */
  function feedWords(track: Track): string {
    const fed = track.feeds.map(words)
    return fed.filter(Boolean).join(' | ')
  }

  /** Which channels of which wide track a track is: "3, 4 of Tree". */
  function splitWords(track: Track): string {
    const wide = desk.tracks.find((each) => each.id === track.feeds[0]?.track)
    const channels = track.feeds.map((feed) => feed.channel + 1)
    return `${channels.join(', ')} of ${wide?.name ?? 'a track'}`
  }

  const offered = ref<OfferedFeed[]>([])

  /** Asks what can feed a track of this width: ports, pairs or groups, or what a sound module plays. */
  function askWhatCanFeed(track: Track) {
    return trying(async () => {
      const path = { session: desk.session!.id }
      const answer =
        track.role === 'instrument'
          ? await api.GET('/api/sessions/{session}/module-outputs', { params: { path } })
          : await api.GET('/api/sessions/{session}/feeds', { params: { path, query: { width: track.width } } })
      offered.value = answer.data!.filter((each) => each.feeds.length === track.width)
    })
  }

  const feedOptions = computed(() => [
    { label: 'nothing', value: NOTHING },
    ...offered.value.map((each, at) => ({
      label: each.fedTo.length ? `${each.label} · feeds ${each.fedTo.join(', ')}` : each.label,
      value: at,
    })),
  ])

  /** Which of what is offered feeds the track; nothing of it if it is fed in another way. */
  function chosenFeed(track: Track): number | null {
    if (!feedWords(track)) return NOTHING
    const at = offered.value.findIndex((each) => each.feeds.every((feed, channel) => same(feed, track.feeds[channel]!)))
    return at < 0 ? null : at
  }

  const feedsOf = (value: number): Feed[] => (value === NOTHING ? [] : offered.value[value]!.feeds)

  return { feedWords, splitWords, askWhatCanFeed, feedOptions, chosenFeed, feedsOf }
}
