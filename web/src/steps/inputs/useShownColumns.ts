import { computed, ref } from 'vue'
import type { Column } from './columns'

const KEPT = 'lantern-input-columns'

/** The columns that this browser shows, in its order; remembered. */
export function useShownColumns(all: Column[]) {
  const kept = localStorage.getItem(KEPT)?.split(',')
  const keys = ref(kept ?? all.filter((column) => !column.optional).map((column) => column.key))
  const shown = computed(() => keys.value.flatMap((key) => all.filter((column) => column.key === key)))

  function show(wanted: string[]) {
    keys.value = wanted
    localStorage.setItem(KEPT, wanted.join(','))
  }

  return { keys, shown, show }
}
