import { computed } from 'vue'
import type { Edit, Feed, Input, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { allOf, channelWord, NOTHING, same } from '@/desk/feeds'

const sideOf = (track: Track, channel: number) => (track.width === 1 ? '' : ` (${channelWord(track.width, channel)})`)

const WHOLE = '*'

/** The tracks that an input of the list feeds, and how it comes to others. */
export function useTracksOf() {
  const desk = useDesk()
  const feedable = computed(() => desk.tracks.filter((track) => track.role === 'input'))

  const hasWhole = (track: Track, input: Input) =>
    track.width === input.width && track.feeds.every((feed, channel) => same(feed, allOf(input)[channel]!))

  /** The tracks with the channels of theirs that an input feeds. */
  function tracksOf(input: Input) {
    return feedable.value.flatMap((track) => {
      const channels = track.feeds.flatMap((feed, channel) => (feed.input === input.id ? [channel] : []))
      return channels.length ? [{ track, channels }] : []
    })
  }

  const without = (track: Track, input: Input) => track.feeds.map((feed) => (feed.input === input.id ? NOTHING : feed))

  async function editsToJoin(input: Input, value: string): Promise<Edit[]> {
    const leave = tracksOf(input).map(({ track }): Edit => ({
      kind: 'feed-track',
      track: track.id,
      feeds: without(track, input),
    }))
    if (value === '') return leave
    const feeds = allOf(input)
    if (value === 'new') {
      const id = await desk.freshId('track', input.source)
      return [...leave, { kind: 'add-track', track: id, name: input.source, width: input.width, feeds }]
    }
    const [id, channel] = value.split('/')
    const track = feedable.value.find((each) => each.id === id)!
    const joined: Feed[] =
      channel === WHOLE ? feeds : without(track, input).map((feed, at) => (at === Number(channel) ? feeds[0]! : feed))
    return [
      ...leave.filter((edit) => edit.kind !== 'feed-track' || edit.track !== track.id),
      { kind: 'feed-track', track: track.id, feeds: joined },
    ]
  }

  const wordsOfTracks = (input: Input) =>
    tracksOf(input)
      .flatMap(({ track, channels }) =>
        hasWhole(track, input) ? [track.name] : channels.map((channel) => track.name + sideOf(track, channel)),
      )
      .join(', ')

  /** A mono input goes to any channel of a track; a stereo or wide one to a track that is as wide. */
  const offeredTracks = (input: Input) => [
    { label: 'no track', value: '' },
    { label: `a new track, "${input.source}"`, value: 'new' },
    ...(input.width > 1
      ? feedable.value
          .filter((track) => track.width === input.width)
          .map((track) => ({ label: track.name, value: `${track.id}/${WHOLE}` }))
      : feedable.value.flatMap((track) =>
          track.feeds.map((_, channel) => ({
            label: track.name + sideOf(track, channel),
            value: `${track.id}/${channel}`,
          })),
        )),
  ]

  function chosenTrack(input: Input) {
    const first = tracksOf(input)[0]
    if (!first) return ''
    return `${first.track.id}/${input.width > 1 && hasWhole(first.track, input) ? WHOLE : first.channels[0]}`
  }

  return { wordsOfTracks, offeredTracks, chosenTrack, editsToJoin }
}
