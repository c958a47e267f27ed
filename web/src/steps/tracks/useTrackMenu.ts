import { computed, h } from 'vue'
import { api, type Edit, type Hear, type May, type Track } from '@/api/client'
import { allSwitched, anyChain, switchWords } from '@/desk/chains'
import { useDesk } from '@/desk/desk'
import { NEW_RETURNS, newReturn, newSum, returnsOf, sendInto, sendOut, sentTo, waysFor, waysOutMenu } from '@/desk/ways'
import { movedByOne } from './moved'

type Colour = Track['look']['colour']
type Mark = Track['look']['mark']
const COLOURS: Colour[] = ['none', 'amber', 'sky', 'fern', 'straw', 'deep', 'brick', 'mallow', 'slate']
const MARKS: Mark[] = ['none', 'mic', 'voice', 'strings', 'keys', 'drum', 'wind', 'room']
const HEAR: Hear[] = ['off', 'armed', 'overdub', 'always']

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

/** What can be done to one track, or to all that are selected, besides what a row shows. */
export function useTrackMenu(tracks: () => Track[]) {
  const desk = useDesk()
  const thatMay = (what: May) => tracks().filter((track) => desk.standingOf(track.id).may.includes(what))
  const every = (is: (track: Track) => boolean) => tracks().every(is)

  /** The session with no chains but theirs. */
  const chained = () => desk.session!.chains.filter((chains) => tracks().some((track) => track.id === chains.track))

  const folders = computed(() => [...new Set(desk.tracks.map((each) => each.look.folder).filter(Boolean))])
  const moved = (way: 'up' | 'down') => movedByOne(tracks(), desk.tracks, way)

  function freshFolder() {
    for (let n = 1; ; n++) if (!folders.value.includes(`Folder ${n}`)) return `Folder ${n}`
  }

  const menu = computed(() => {
    const removable = thatMay('remove').length
    return [
      { label: 'Move up', key: 'up', disabled: moved('up').length === 0 },
      { label: 'Move down', key: 'down', disabled: moved('down').length === 0 },
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
      {
        label: 'Goes to',
        key: 'way',
        children: [
          ...waysFor(desk.session!, tracks()).map(({ label, value }) => ({ label, key: `way/${value}` })),
          { label: 'a new sum', key: 'new-sum' },
        ],
      },
      {
        label: 'Send',
        key: 'send',
        children: [
          ...returnsOf(desk.session!)
            .filter((each) => !tracks().includes(each))
            .map((each) => ({ label: `into ${each.name}`, key: `send/${each.id}` })),
          ...NEW_RETURNS.map(({ label, name }) => ({ label: `into ${label}`, key: `new-return/${name}` })),
          ...waysOutMenu(desk.offers),
        ],
      },
      { label: 'Hide', key: 'hide' },
      ...(tracks().length === 1 ? [{ label: 'Chains', key: 'chains' }] : []),
      ...(tracks().length > 1 && anyChain(chained()) ? [{ label: switchWords(chained()), key: 'chains-off' }] : []),
      ...(tracks().length > 1
        ? [
            { label: 'Hear', key: 'hear', children: HEAR.map((hear) => ({ label: hear, key: `hear/${hear}` })) },
            { label: every((track) => track.muted) ? 'Unmute' : 'Mute', key: 'mute' },
            { label: every((track) => track.soloed) ? 'End solo' : 'Solo', key: 'solo' },
          ]
        : []),
      { label: every((track) => track.soloSafe) ? 'Not solo-safe' : 'Solo-safe', key: 'safe' },
      { label: every((track) => track.polarityFlipped) ? 'Polarity back to normal' : 'Flip polarity', key: 'polarity' },
      ...(tracks().length === 1 && thatMay('split').length
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
      {
        label: removable < tracks().length && removable ? `Remove those ${removable} that can go` : 'Remove',
        key: 'remove',
        disabled: !removable,
      },
    ]
  })

  const each = (edit: (track: Track) => Edit) => tracks().map(edit)

  function edits(key: string): Edit[] {
    const [what, value = ''] = key.split(/\/(.*)/s)
    const wanted = (is: (track: Track) => boolean) => !every(is)
    switch (what) {
      case 'up':
      case 'down':
        return moved(what)
      case 'colour':
        return each(({ id }) => ({ kind: 'set-track-colour', track: id, colour: value as Colour }))
      case 'mark':
        return each(({ id }) => ({ kind: 'set-track-mark', track: id, mark: value as Mark }))
      case 'folder':
        return each(({ id }) => ({ kind: 'set-track-folder', track: id, folder: value }))
      case 'hide':
        return each(({ id }) => ({ kind: 'hide-track', track: id, hidden: true }))
      case 'way':
        return each(({ id }) => sentTo(id, value))
      case 'send':
        return each(({ id }) => sendInto(id, value))
      case 'out':
        return each(({ id }) => sendOut(id, value))
      case 'hear':
        return thatMay('hear').map(({ id }) => ({ kind: 'set-hear', track: id, hear: value as Hear }))
      case 'mute':
        return each(({ id }) => ({ kind: 'mute-track', track: id, muted: wanted((track) => track.muted) }))
      case 'solo':
        return each(({ id }) => ({ kind: 'solo-track', track: id, soloed: wanted((track) => track.soloed) }))
      case 'safe':
        return each(({ id }) => ({ kind: 'set-solo-safe', track: id, soloSafe: wanted((track) => track.soloSafe) }))
      case 'chains-off':
        return allSwitched(chained())
      case 'polarity':
        return each(({ id }) => ({
          kind: 'set-polarity',
          track: id,
          flipped: wanted((track) => track.polarityFlipped),
        }))
      default:
        return thatMay('remove').map(({ id }) => ({ kind: 'remove-track', track: id }))
    }
  }

  /** Makes a wide track's channels heard on tracks of their own. */
  function split(how: string) {
    const params = { path: { session: desk.session!.id } }
    const body = { track: tracks()[0]!.id, how: how as 'pairs' | 'singles' }
    return desk.proposed(() => api.POST('/api/sessions/{session}/tracks/split', { params, body }))
  }

  const sum = async () => desk.edit([await newSum(desk, tracks())])

  function act(key: string) {
    if (key === 'new-sum') return sum()
    const wished = NEW_RETURNS.find(({ name }) => key === `new-return/${name}`)
    if (wished) return newReturn(desk, wished, tracks()).then((edits) => desk.edit(edits))
    return key.startsWith('split/') ? split(key.slice(6)) : desk.edit(edits(key))
  }

  return { menu, act }
}
