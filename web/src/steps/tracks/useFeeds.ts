import { computed } from 'vue'
import type { Feed, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'

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

  const feedOptions = computed(() => [
    { label: 'nothing', value: '' },
    ...desk.inputs.map((input) => ({
      label: `Input ${input.number}, ${input.source}${input.port ? `, at ${port(input.port)?.houseLabel ?? input.port}` : ''}`,
      value: `input/${input.id}`,
    })),
    ...desk.offers.ports
      .filter((each) => each.usedBy.length === 0)
      .map((each) => ({ label: `Port ${each.houseLabel}, ${each.panelName}`, value: `port/${each.id}` })),
  ])

  function chosenFeed(track: Track, channel: number): string {
    const feed = track.feeds[channel]
    return feed?.input ? `input/${feed.input}` : feed?.port ? `port/${feed.port}` : ''
  }

  function feedsOf(track: Track, channel: number, value: string): Feed[] {
    const [kind, id] = value.split('/')
    const feed: Feed = { input: kind === 'input' ? id! : null, port: kind === 'port' ? id! : null }
    const fed = [...track.feeds]
    fed[channel] = feed
    return fed
  }

  return { feedWords, feedOptions, chosenFeed, feedsOf }
}
