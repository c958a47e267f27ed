import { computed, ref } from 'vue'
import { api, type Feed, type OfferedFeed, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'

const NOTHING = -1

/** What feeds a track's channels: inputs of the list, or ports that no input names. */
export function useFeeds() {
  const desk = useDesk()

  const port = (id: string | null | undefined) => desk.offers.ports.find((each) => each.id === id)

  function words(feed: Feed): string {
    const input = desk.inputs.find((each) => each.id === feed.input)
    if (!input) return feed.port ? (port(feed.port)?.houseLabel ?? feed.port) : ''
    return input.port ? (port(input.port)?.houseLabel ?? input.port) : `${input.source}, no port`
  }

  /** The ports a track is fed from, by their house labels; "" if nothing feeds it. */
  function feedWords(track: Track): string {
    const fed = track.feeds.map(words)
    return fed.filter(Boolean).join(' | ')
  }

  const offered = ref<OfferedFeed[]>([])

  /** Asks what can feed a track of this width: ports, pairs or groups. */
  function askWhatCanFeed(track: Track) {
    return trying(async () => {
      const params = { path: { session: desk.session!.id }, query: { width: track.width } }
      offered.value = (await api.GET('/api/sessions/{session}/feeds', { params })).data!
    })
  }

  const feedOptions = computed(() => [
    { label: 'nothing', value: NOTHING },
    ...offered.value.map((each, at) => ({
      label: each.fedTo.length ? `${each.label} · feeds ${each.fedTo.join(', ')}` : each.label,
      value: at,
    })),
  ])

  const same = (one: Feed, other: Feed) => one.input === other.input && one.port === other.port

  /** Which of what is offered feeds the track; nothing of it if it is fed in another way. */
  function chosenFeed(track: Track): number | null {
    if (!feedWords(track)) return NOTHING
    const at = offered.value.findIndex((each) => each.feeds.every((feed, channel) => same(feed, track.feeds[channel]!)))
    return at < 0 ? null : at
  }

  const feedsOf = (value: number): Feed[] => (value === NOTHING ? [] : offered.value[value]!.feeds)

  return { feedWords, askWhatCanFeed, feedOptions, chosenFeed, feedsOf }
}
