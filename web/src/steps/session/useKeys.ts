import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { allSwitched } from '@/desk/chains'
import { dimOrNot, muteOrNot } from '@/desk/controlRoom'
import { useDesk } from '@/desk/desk'
import { groupsSuspended } from '@/desk/groups'
import { useTalkKey } from '@/desk/talk'
import { switchPurpose } from '@/desk/timing'
import { STEPS } from '@/steps/steps'
import { useUndoing } from './useUndoing'

/** The keys that work wherever one stands in a session. */
export const KEYS: [string, string][] = [
  ['Space', 'play, stop'],
  ['H', 'cut headphones, let them back'],
  ['D', 'dim the speakers, let them back'],
  ['M', 'mute the speakers, let them back'],
  ['T', 'held: talk to performers; pressed once: until it is pressed again'],
  ['B', 'go to a bar'],
  ['L', 'the buffer to record, the buffer to mix'],
  ['X', 'all chains off, all on again'],
  ['G', 'suspend groups, let them act again'],
  ['Alt', 'held while a track is changed: that track alone, not its groups'],
  [STEPS.map((_, at) => at + 1).join(' '), STEPS.map((step) => step.title.toLowerCase()).join(', ')],
  ['Shift 1 … Shift 9', 'go to a part of the song'],
  ['/', 'find what to do by its words'],
  ['Ctrl Z', 'undo your last change; under Rig, of the rig'],
  ['Ctrl Shift Z', 'redo it'],
  ['← →', 'a level or pan by one step; with Shift by the finest'],
  ['Home', 'a level off, a pan to the centre'],
  ['?', 'this list'],
]

const WRITING = 'input, textarea, [contenteditable], [role="combobox"], .n-base-selection'

/** Whether letters and digits alone do something; who dictates or presses them by accident can switch that off. */
const KEPT = 'lantern-single-keys'
export const singleKeys = ref(localStorage.getItem(KEPT) !== 'off')
watch(singleKeys, (on) => localStorage.setItem(KEPT, on ? 'on' : 'off'))

export function useKeys(actions: {
  step: (index: number) => unknown
  showKeys: () => void
  showCommands: () => void
  goToBar: () => void
}) {
  const desk = useDesk()
  const undoing = useUndoing()
  const talk = useTalkKey()

  function pressed(event: KeyboardEvent) {
    if (event.defaultPrevented || !desk.session) return
    const target = event.target as HTMLElement
    if (target.matches(WRITING) || target.closest(WRITING) || target.closest('[role="dialog"]')) return
    const control = event.ctrlKey || event.metaKey
    if (control && event.key.toLowerCase() === 'z') void (event.shiftKey ? undoing.redo() : undoing.undo())
    else if (control || event.altKey || (!singleKeys.value && event.key.length === 1)) return
    else if (event.key === ' ' && !target.closest('button:not([data-typed=level]), a')) void desk.playOrStop()
    else if (target.closest('[role="grid"]')) return
    else if (event.key.toLowerCase() === 'h') void desk.cutHeadphones()
    else if (event.key.toLowerCase() === 'd') void dimOrNot(desk)
    else if (event.key.toLowerCase() === 'm') void muteOrNot(desk)
    else if (event.key.toLowerCase() === 't') talk(event)
    else if (event.shiftKey && /^Digit[1-9]$/.test(event.code)) goToPart(Number(event.code.at(-1)) - 1)
    else if (event.key >= '1' && event.key <= '9') actions.step(Number(event.key) - 1)
    else if (event.key === '?') actions.showKeys()
    else if (event.key === '/') actions.showCommands()
    else if (event.key.toLowerCase() === 'b') actions.goToBar()
    else if (event.key.toLowerCase() === 'x') void desk.edit(allSwitched(desk.session.chains))
    else if (event.key.toLowerCase() === 'l') void switchPurpose(desk)
    else if (event.key.toLowerCase() === 'g') groupsSuspended.value = !groupsSuspended.value
    else return
    event.preventDefault()
  }

  function goToPart(at: number) {
    const marker = desk.session!.markers[at]
    if (marker && desk.live) void desk.command({ kind: 'locate', bar: marker.bar })
  }

  onMounted(() => addEventListener('keydown', pressed))
  onBeforeUnmount(() => removeEventListener('keydown', pressed))
}
