import { ref } from 'vue'

/** Whether groups are suspended on this page: each track moves alone until they act again. */
export const groupsSuspended = ref(false)

let held = false
const note = (event: KeyboardEvent | PointerEvent) => (held = event.altKey)
for (const kind of ['keydown', 'keyup', 'pointerdown', 'pointermove'] as const) addEventListener(kind, note, true)
addEventListener('blur', () => (held = false))

/** Whether what is done now is done to one track alone: while groups are suspended, and while Alt is held. */
export const actsAlone = () => groupsSuspended.value || held
