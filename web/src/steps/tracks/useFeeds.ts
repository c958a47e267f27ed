import { computed, ref } from 'vue'
import { api, type Feed, type OfferedFeed, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { same } from '@/desk/feeds'
import { trying } from '@/desk/notice'

const NOTHING = -1

/** What feeds a track's channels: inputs of the list, or ports that no input names. */
export function useFeeds() {
  const desk = useDesk()

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
    if (!desk.standingOf(track.id).fedBy) return NOTHING
    const at = offered.value.findIndex((each) => each.feeds.every((feed, channel) => same(feed, track.feeds[channel]!)))
    return at < 0 ? null : at
  }

  const feedsOf = (value: number): Feed[] => (value === NOTHING ? [] : offered.value[value]!.feeds)

  return { askWhatCanFeed, feedOptions, chosenFeed, feedsOf }
}
