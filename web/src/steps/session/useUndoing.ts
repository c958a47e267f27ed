import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useDesk } from '@/desk/desk'
import { useRig } from '@/desk/rig'

/** What undo and redo are about: the rig while one stands in its step, else the session. */
export function useUndoing() {
  const desk = useDesk()
  const rig = useRig()
  const route = useRoute()

  const store = computed(() => (route.path.endsWith('/rig') ? rig : desk))

  return {
    state: computed(() => store.value.undoState),
    undo: () => store.value.undo(),
    redo: () => store.value.redo(),
  }
}
