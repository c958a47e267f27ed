import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useDesk } from '@/desk/desk'
import { useRig } from '@/desk/rig'
import { inAnotherWindow } from '@/desk/windows'

/** What undo and redo are about: the rig while one stands in its step, else the session; and whose change it is. */
export function useUndoing() {
  const desk = useDesk()
  const rig = useRig()
  const route = useRoute()

  const ofTheRig = computed(() => route.path.endsWith('/rig'))
  const store = computed(() => (ofTheRig.value ? rig : desk))
  const whose = computed(() => {
    if (ofTheRig.value) return ', your last change of the rig'
    return inAnotherWindow.value ? ', your last change here or in your other window' : ', your last change here'
  })
  const words = (act: string, what: string) => `${act}: ${what ? what + whose.value : 'nothing'}`

  return {
    state: computed(() => store.value.undoState),
    undoWords: computed(() => words('Undo', store.value.undoState.undo)),
    redoWords: computed(() => words('Redo', store.value.undoState.redo)),
    undo: () => store.value.undo(),
    redo: () => store.value.redo(),
  }
}
