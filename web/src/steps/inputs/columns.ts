import type { SelectOption } from 'naive-ui'
import { computed } from 'vue'
import { api, type Edit, type Input, type Offers } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { WIDTHS, widthWord } from '@/desk/feeds'
import { useRig } from '@/desk/rig'
import { decimal } from '@/desk/written'

/** A column of the sheet: what stands in a cell, and the edits that write something else there. */
export interface Column {
  key: string
  title: string
  /** What it is called in files and on the clipboard. */
  csv: string
  /** Whether it is out of sight until somebody wants it. */
  optional?: boolean
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
  edits: (input: Input, value: string) => Edit[] | Promise<Edit[]>
  /** What is written where a cell is cleared, if that is not nothing at all. */
  cleared?: string
}

const PHANTOM = [
  { label: 'off', value: 'off' },
  { label: '+48 V', value: 'on' },
  { label: 'never', value: 'never' },
]

const POLARITY = [
  { label: 'normal', value: 'normal' },
  { label: 'flipped', value: 'flipped' },
]

const FRESH = 'new'

const placeKey = (place: Offers['tracks'][number]) => `${place.track}/${place.channel ?? 'all'}`

export function useColumns() {
  const desk = useDesk()
  const rig = useRig()

  const locker = computed(() =>
    (rig.rig?.mics ?? []).map((mic) => ({ ...mic, listed: `${rig.micKind(mic).words}, ${mic.name}` })),
  )

  async function performerEdits(input: Input, name: string): Promise<Edit[]> {
    if (!name) return [{ kind: 'set-input-performer', input: input.id, performer: null }]
    if (desk.performers.some((performer) => performer.id === name)) {
      return [{ kind: 'set-input-performer', input: input.id, performer: name }]
    }
    const id = await desk.freshId('performer', name)
    return [
      { kind: 'add-performer', performer: id, name, place: '' },
      { kind: 'set-input-performer', input: input.id, performer: id },
    ]
  }

  async function trackEdits(input: Input, value: string): Promise<Edit[]> {
    const place = desk.offers.tracks.find((each) => placeKey(each) === value)
    const answer = await api.POST('/api/sessions/{session}/input-list/track', {
      params: { path: { session: desk.session!.id } },
      body: {
        input: input.id,
        track: place?.track ?? null,
        channel: place?.channel ?? null,
        fresh: value === FRESH,
      },
    })
    return answer.data!.edits
  }

  const columns: Column[] = [
    {
      key: 'source',
      title: 'Source',
      csv: 'Source',
      width: '14%',
      shown: (input) => input.source,
      edits: (input, source) => [{ kind: 'set-input-source', input: input.id, source }],
    },
    {
      key: 'performer',
      title: 'Performer',
      csv: 'Performer',
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
      csv: 'Mic',
      width: '17%',
      shown: (input) => input.mic,
      options: (input) => [
        ...(input.mic ? [{ label: input.mic, value: input.mic }] : []),
        { label: 'nothing yet', value: '' },
        ...locker.value.map((mic) => ({ label: `${mic.listed}, ${mic.count} there`, value: `mic/${mic.id}` })),
      ],
      chosen: (input) => input.mic,
      open: true,
      edits: (input, mic) => {
        const chosen = locker.value.find((each) => mic === `mic/${each.id}`)
        return chosen
          ? [{ kind: 'choose-mic', input: input.id, mic: chosen.id }]
          : [{ kind: 'set-input-mic', input: input.id, mic }]
      },
    },
    {
      key: 'stand',
      title: 'Stand',
      csv: 'Stand',
      width: '9%',
      optional: true,
      shown: (input) => input.stand,
      edits: (input, stand) => [{ kind: 'set-input-stand', input: input.id, stand }],
    },
    {
      key: 'cable',
      title: 'Cable m',
      csv: 'Cable m',
      width: '66px',
      number: true,
      optional: true,
      shown: (input) => (input.cableMetres ? String(input.cableMetres) : ''),
      edits: (input, metres) => [{ kind: 'set-input-cable', input: input.id, metres: decimal(metres || '0') }],
    },
    {
      key: 'place',
      title: 'Place',
      csv: 'Place',
      width: '10%',
      optional: true,
      shown: (input) => input.place,
      edits: (input, place) => [{ kind: 'set-input-place', input: input.id, place }],
    },
    {
      key: 'phantom',
      cleared: 'off',
      title: '+48 V',
      csv: 'Phantom',
      width: '62px',
      shown: (input) => PHANTOM.find((each) => each.value === input.phantom)!.label,
      options: () => PHANTOM,
      chosen: (input) => input.phantom,
      edits: (input, phantom) => [{ kind: 'set-input-phantom', input: input.id, phantom: phantom as Input['phantom'] }],
    },
    {
      key: 'port',
      title: 'Port',
      csv: 'Port',
      width: '15.5%',
      shown: (input) => input.ports.map(rig.label).join(' | '),
      options: (input) => [
        { label: 'no port', value: '' },
        ...desk.offers.places
          .filter((place) => place.ports.length === input.width)
          .map((place) => {
            const others = place.usedBy.filter((source) => source !== input.source)
            const way = place.arrivesAt ? ` → ${place.arrivesAt}` : ''
            return {
              label: `${place.houseLabel} · ${place.panelName}${way}${others.length ? ` · in use: ${others.join(', ')}` : ''}`,
              value: place.ports.join('|'),
            }
          }),
      ],
      chosen: (input) => input.ports.join('|'),
      edits: (input, ports) => [{ kind: 'patch-input', input: input.id, ports: ports ? ports.split('|') : [] }],
    },
    {
      key: 'width',
      title: 'Width',
      csv: 'Width',
      width: '78px',
      optional: true,
      cleared: '1',
      shown: (input) => widthWord(input.width),
      options: () => WIDTHS.map(({ label, value }) => ({ label, value: String(value) })),
      chosen: (input) => String(input.width),
      edits: (input, width) => [{ kind: 'set-input-width', input: input.id, width: Number(width) }],
    },
    {
      key: 'level',
      cleared: 'mic',
      title: 'Level',
      csv: 'Level',
      width: '84px',
      optional: true,
      shown: (input) => input.level,
      options: () => ['mic', 'line', 'instrument'].map((level) => ({ label: level, value: level })),
      chosen: (input) => input.level,
      edits: (input, level) => [{ kind: 'set-input-level', input: input.id, level: level as Input['level'] }],
    },
    {
      key: 'pad',
      cleared: 'out',
      title: 'Pad',
      csv: 'Pad',
      width: '54px',
      optional: true,
      shown: (input) => (input.pad ? 'in' : 'out'),
      options: () => ['out', 'in'].map((pad) => ({ label: pad, value: pad })),
      chosen: (input) => (input.pad ? 'in' : 'out'),
      edits: (input, pad) => [{ kind: 'set-input-pad', input: input.id, pad: pad === 'in' }],
    },
    {
      key: 'gain',
      title: 'Gain dB',
      csv: 'Gain dB',
      width: '88px',
      number: true,
      shown: (input) => (input.gainDb === null ? '' : String(input.gainDb)),
      edits: (input, gain) => [{ kind: 'set-input-gain', input: input.id, gainDb: gain.trim() ? decimal(gain) : null }],
    },
    {
      key: 'polarity',
      title: 'Polarity',
      csv: 'Polarity',
      width: '82px',
      optional: true,
      cleared: 'normal',
      shown: (input) => (input.polarityFlipped ? 'flipped' : ''),
      options: () => POLARITY,
      chosen: (input) => (input.polarityFlipped ? 'flipped' : 'normal'),
      edits: (input, word) => [{ kind: 'set-input-polarity', input: input.id, flipped: word === 'flipped' }],
    },
    {
      key: 'track',
      title: 'Track',
      csv: 'Tracks',
      width: '14%',
      shown: (input) => desk.inputStandingOf(input.id).tracks,
      options: (input) => [
        { label: 'no track', value: '' },
        { label: `a new track, "${input.source}"`, value: FRESH },
        ...desk.offers.tracks
          .filter((place) => place.width === input.width)
          .map((place) => ({ label: place.label, value: placeKey(place) })),
      ],
      chosen: (input) => {
        const { tracks, place } = desk.inputStandingOf(input.id)
        return place ? placeKey(place) : tracks ? null : ''
      },
      edits: trackEdits,
    },
    {
      key: 'notes',
      title: 'Notes',
      csv: 'Notes',
      width: 'auto',
      shown: (input) => input.notes,
      edits: (input, notes) => [{ kind: 'set-input-notes', input: input.id, notes }],
    },
  ]

  /** The way the cables' signal goes on by ties, to be shown beside the ports. */
  function arrival(input: Input): string {
    const ports = input.ports.join('|')
    return desk.offers.places.find((place) => place.ports.join('|') === ports)?.arrivesAt ?? ''
  }

  return { columns, arrival }
}
