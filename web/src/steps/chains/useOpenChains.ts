import { ref } from 'vue'
import { useDesk } from '@/desk/desk'

/** Which tracks say what their sound passes, and whose chains are open: one at a time. */
export function useOpenChains() {
  const desk = useDesk()
  /** Whether those say it too for which it is nothing. */
  const all = ref(false)
  const opened = ref('')
  const height = ref(0)

  const says = (id: string) => all.value || opened.value === id || desk.standingOf(id).effects.length > 0
  const isOpen = (id: string) => opened.value === id
  const heightOf = (id: string) => (isOpen(id) ? height.value : 0)

  function toggle(id: string) {
    height.value = 0
    opened.value = isOpen(id) ? '' : id
  }

  return { all, opened, height, says, isOpen, heightOf, toggle }
}
