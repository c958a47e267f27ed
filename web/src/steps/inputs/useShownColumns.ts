import { computed, ref } from 'vue'
import { keepColumns, shownColumns } from '@/desk/pageState'
import type { Column } from './columns'

/** The columns that this browser shows, in its order; remembered. */
export function useShownColumns(all: Column[]) {
  const kept = shownColumns()
  const keys = ref(kept.length ? kept : all.filter((column) => !column.optional).map((column) => column.key))
  const shown = computed(() => keys.value.flatMap((key) => all.filter((column) => column.key === key)))

  function show(wanted: string[]) {
    keys.value = wanted
    keepColumns(wanted)
  }

  return { keys, shown, show }
}
