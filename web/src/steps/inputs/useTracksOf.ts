import { computed } from 'vue'
import type { Edit, Feed, Input, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { freshId } from '@/desk/ids'

const NOTHING: Feed = { input: null, port: null }

const sideOf = (track: Track, channel: number) =>
  track.width === 1 ? '' : track.width === 2 ? [' (left)', ' (right)'][channel]! : ` (${channel + 1})`

/** The tracks that an input of the list feeds, and how it comes to others. */
export function useTracksOf() {
  const desk = useDesk()
  const feedable = computed(() => desk.tracks.filter((track) => track.role === 'input'))

  function tracksOf(input: Input) {
    return feedable.value.flatMap((track) =>
      track.feeds.flatMap((feed, channel) => (feed.input === input.id ? [{ track, channel }] : [])),
    )
  }

  function editsToJoin(input: Input, value: string): Edit[] {
    const leave = tracksOf(input).map(({ track, channel }): Edit => ({
      kind: 'feed-track',
      track: track.id,
      feeds: track.feeds.map((feed, at) => (at === channel ? NOTHING : feed)),
    }))
    if (value === '') return leave
    const fed: Feed = { input: input.id, port: null }
    if (value === 'new') {
      const id = freshId(input.source, desk.tracks)
      return [...leave, { kind: 'add-track', track: id, name: input.source, width: 1, feeds: [fed] }]
    }
    const [id, channel] = value.split('/')
    const track = feedable.value.find((each) => each.id === id)!
    const others = track.feeds.map((feed) => (feed.input === input.id ? NOTHING : feed))
    const join: Edit = {
      kind: 'feed-track',
      track: track.id,
      feeds: others.map((feed, at) => (at === Number(channel) ? fed : feed)),
    }
    return [...leave.filter((edit) => edit.kind !== 'feed-track' || edit.track !== track.id), join]
  }

  const wordsOfTracks = (input: Input) =>
    tracksOf(input)
      .map(({ track, channel }) => track.name + sideOf(track, channel))
      .join(', ')

  const offeredTracks = (input: Input) => [
    { label: 'no track', value: '' },
    { label: `a new track, "${input.source}"`, value: 'new' },
    ...feedable.value.flatMap((track) =>
      track.feeds.map((_, channel) => ({
        label: track.name + sideOf(track, channel),
        value: `${track.id}/${channel}`,
      })),
    ),
  ]

  function chosenTrack(input: Input) {
    const first = tracksOf(input)[0]
    return first ? `${first.track.id}/${first.channel}` : ''
  }

  return { wordsOfTracks, offeredTracks, chosenTrack, editsToJoin }
}
