import { computed, h } from 'vue'
import { api, type Edit, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'

type Colour = Track['look']['colour']
type Mark = Track['look']['mark']
const COLOURS: Colour[] = ['none', 'amber', 'sky', 'fern', 'straw', 'deep', 'brick', 'mallow', 'slate']
const MARKS: Mark[] = ['none', 'mic', 'voice', 'strings', 'keys', 'drum', 'wind', 'room']

const swatch = (colour: Colour) =>
  h('span', {
    style: {
      width: '12px',
      height: '12px',
      borderRadius: '3px',
      background: `var(--${colour})`,
      display: 'inline-block',
    },
  })

/** What can be done to a track besides what its row shows. */
export function useTrackMenu(track: () => Track) {
  const desk = useDesk()

  const at = computed(() => desk.tracks.indexOf(track()))
  const folders = computed(() => [...new Set(desk.tracks.map((each) => each.look.folder).filter(Boolean))])

  function freshFolder() {
    for (let n = 1; ; n++) if (!folders.value.includes(`Folder ${n}`)) return `Folder ${n}`
  }

  const menu = computed(() => [
    { label: 'Move up', key: 'up', disabled: at.value === 0 },
    { label: 'Move down', key: 'down', disabled: at.value === desk.tracks.length - 1 },
    {
      label: 'Colour',
      key: 'colour',
      children: COLOURS.map((colour) => ({
        label: colour,
        key: `colour/${colour}`,
        icon: colour === 'none' ? undefined : () => swatch(colour),
      })),
    },
    { label: 'Mark', key: 'mark', children: MARKS.map((mark) => ({ label: mark, key: `mark/${mark}` })) },
    {
      label: 'Folder',
      key: 'folder',
      children: [
        { label: 'none', key: 'folder/' },
        ...folders.value.map((folder) => ({ label: folder, key: `folder/${folder}` })),
        { label: 'a new one', key: `folder/${freshFolder()}` },
      ],
    },
    { label: 'Hide', key: 'hide' },
    { label: track().soloSafe ? 'Not solo-safe' : 'Solo-safe', key: 'safe' },
    {
      label: track().polarityFlipped ? 'Polarity back to normal' : 'Flip polarity',
      key: 'polarity',
      disabled: track().role === 'click',
    },
    ...(track().width > 2 && track().role !== 'backing'
      ? [
          {
            label: 'Split',
            key: 'split',
            children: [
              { label: 'in pairs', key: 'split/pairs' },
              { label: 'each channel alone', key: 'split/singles' },
            ],
          },
        ]
      : []),
    { label: 'Remove', key: 'remove', disabled: track().role === 'click' },
  ])

  function edits(key: string): Edit[] {
    const { id, soloSafe, polarityFlipped } = track()
    const [what, value = ''] = key.split(/\/(.*)/s)
    switch (what) {
      case 'up':
        return [{ kind: 'move-track', track: id, before: desk.tracks[at.value - 1]!.id }]
      case 'down':
        return [{ kind: 'move-track', track: id, before: desk.tracks[at.value + 2]?.id ?? null }]
      case 'colour':
        return [{ kind: 'set-track-colour', track: id, colour: value as Colour }]
      case 'mark':
        return [{ kind: 'set-track-mark', track: id, mark: value as Mark }]
      case 'folder':
        return [{ kind: 'set-track-folder', track: id, folder: value }]
      case 'hide':
        return [{ kind: 'hide-track', track: id, hidden: true }]
      case 'safe':
        return [{ kind: 'set-solo-safe', track: id, soloSafe: !soloSafe }]
      case 'polarity':
        return [{ kind: 'set-polarity', track: id, flipped: !polarityFlipped }]
      default:
        return [{ kind: 'remove-track', track: id }]
    }
  }

  /** Makes a wide track's channels heard on tracks of their own. */
  function split(how: string) {
    const params = { path: { session: desk.session!.id } }
    const body = { track: track().id, how: how as 'pairs' | 'singles' }
    return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/split', { params, body }))
  }

  const act = (key: string) => (key.startsWith('split/') ? split(key.slice(6)) : desk.edit(edits(key)))

  return { menu, act }
}
