import type { SelectOption } from 'naive-ui'
import { computed } from 'vue'
import type { Edit, Feed, Input, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { freshId } from '@/desk/ids'

/** A column of the sheet: what stands in a cell, and the edits that write something else there. */
export interface Column {
  key: string
  title: string
  width: string
  number?: boolean
  shown: (input: Input) => string
  /** What a text cell begins with when it is written over. */
  written?: (input: Input) => string
  /** What can be chosen, for a cell that is not free text. */
  options?: (input: Input) => SelectOption[]
  chosen?: (input: Input) => string | null
  /** Whether something that is not among the options may be typed. */
  open?: boolean
  edits: (input: Input, value: string) => Edit[]
}

const PHANTOM = [
  { label: 'off', value: 'off' },
  { label: '+48 V', value: 'on' },
  { label: 'never', value: 'never' },
]
const NOTHING: Feed = { input: null, port: null }

const sideOf = (track: Track, channel: number) =>
  track.width === 1 ? '' : track.width === 2 ? [' (left)', ' (right)'][channel]! : ` (${channel + 1})`

export function useColumns() {
  const desk = useDesk()
  const ports = computed(() => new Map(desk.offers.ports.map((port) => [port.id, port])))
  const feedable = computed(() => desk.tracks.filter((track) => track.role === 'input'))

  function tracksOf(input: Input) {
    return feedable.value.flatMap((track) =>
      track.feeds.flatMap((feed, channel) => (feed.input === input.id ? [{ track, channel }] : [])),
    )
  }

  function performerEdits(input: Input, name: string): Edit[] {
    if (!name) return [{ kind: 'set-input-performer', input: input.id, performer: null }]
    if (desk.performers.some((performer) => performer.id === name)) {
      return [{ kind: 'set-input-performer', input: input.id, performer: name }]
    }
    const id = freshId(name, desk.performers)
    return [
      { kind: 'add-performer', performer: id, name, place: '' },
      { kind: 'set-input-performer', input: input.id, performer: id },
    ]
  }

  function trackEdits(input: Input, value: string): Edit[] {
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

  const columns: Column[] = [
    {
      key: 'source',
      title: 'Source',
      width: '14%',
      shown: (input) => input.source,
      edits: (input, source) => [{ kind: 'set-input-source', input: input.id, source }],
    },
    {
      key: 'performer',
      title: 'Performer',
      width: '8%',
      shown: (input) => desk.performers.find((each) => each.id === input.performer)?.name ?? '',
      options: () => [
        { label: 'nobody', value: '' },
        ...desk.performers.map((each) => ({ label: each.name, value: each.id })),
      ],
      chosen: (input) => input.performer ?? '',
      open: true,
      edits: performerEdits,
    },
    {
      key: 'mic',
      title: 'Mic or DI',
      width: '17.5%',
      shown: (input) => input.mic,
      edits: (input, mic) => [{ kind: 'set-input-mic', input: input.id, mic }],
    },
    {
      key: 'phantom',
      title: '+48 V',
      width: '62px',
      shown: (input) => PHANTOM.find((each) => each.value === input.phantom)!.label,
      options: () => PHANTOM,
      chosen: (input) => input.phantom,
      edits: (input, phantom) => [{ kind: 'set-input-phantom', input: input.id, phantom: phantom as Input['phantom'] }],
    },
    {
      key: 'port',
      title: 'Port',
      width: '15.5%',
      shown: (input) => {
        const port = input.port ? ports.value.get(input.port) : undefined
        return port ? port.houseLabel : (input.port ?? '')
      },
      options: (input) => [
        { label: 'no port', value: '' },
        ...desk.offers.ports.map((port) => {
          const others = port.usedBy.filter((source) => source !== input.source)
          const way = port.arrivesAt ? ` → ${port.arrivesAt}` : ''
          return {
            label: `${port.houseLabel} · ${port.panelName}${way}${others.length ? ` · in use: ${others.join(', ')}` : ''}`,
            value: port.id,
          }
        }),
      ],
      chosen: (input) => input.port ?? '',
      edits: (input, port) => [{ kind: 'patch-input', input: input.id, port: port || null }],
    },
    {
      key: 'gain',
      title: 'Gain dB',
      width: '64px',
      number: true,
      shown: (input) => String(input.gainDb),
      edits: (input, gain) => [
        { kind: 'set-input-gain', input: input.id, gainDb: Number(gain.replace(',', '.').replace('−', '-')) },
      ],
    },
    {
      key: 'track',
      title: 'Track',
      width: '14%',
      shown: (input) =>
        tracksOf(input)
          .map(({ track, channel }) => track.name + sideOf(track, channel))
          .join(', '),
      options: (input) => [
        { label: 'no track', value: '' },
        { label: `a new track, "${input.source}"`, value: 'new' },
        ...feedable.value.flatMap((track) =>
          track.feeds.map((_, channel) => ({
            label: track.name + sideOf(track, channel),
            value: `${track.id}/${channel}`,
          })),
        ),
      ],
      chosen: (input) => {
        const first = tracksOf(input)[0]
        return first ? `${first.track.id}/${first.channel}` : ''
      },
      edits: trackEdits,
    },
    {
      key: 'notes',
      title: 'Notes',
      width: 'auto',
      shown: (input) => input.notes,
      edits: (input, notes) => [{ kind: 'set-input-notes', input: input.id, notes }],
    },
  ]

  /** The way a cable's signal goes on by a tie, to be shown beside the port. */
  function arrival(input: Input): string {
    return (input.port && ports.value.get(input.port)?.arrivesAt) || ''
  }

  /** Other inputs whose cable would be in the same port. */
  function clash(input: Input): string {
    if (!input.port) return ''
    const others = desk.inputs.filter((each) => each.port === input.port && each.id !== input.id)
    return others.length ? `also ${others.map((each) => each.source).join(', ')}` : ''
  }

  return { columns, arrival, clash }
}
