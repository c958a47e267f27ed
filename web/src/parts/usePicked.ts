import { computed, ref, type Ref } from 'vue'

/** Which rows of a list are selected: one, one more with Ctrl, a range with Shift, all; with the pointer and with the keyboard. */
export function usePicked<Row extends { id: string }>(rows: Ref<Row[]>) {
  const ids = ref(new Set<string>())
  /** Where a range begins. */
  let anchor = ''

  const picked = computed(() => rows.value.filter((row) => ids.value.has(row.id)))
  const isPicked = (id: string) => ids.value.has(id)

  function range(to: string) {
    const order = rows.value.map((row) => row.id)
    const from = Math.max(0, order.indexOf(anchor))
    const end = order.indexOf(to)
    ids.value = new Set(order.slice(Math.min(from, end), Math.max(from, end) + 1))
  }

  function pick(id: string, event: MouseEvent | KeyboardEvent) {
    if (event.shiftKey && anchor) return range(id)
    anchor = id
    const others = new Set(event.ctrlKey || event.metaKey ? ids.value : [])
    const only = ids.value.has(id) && [...ids.value].every((each) => each === id || others.has(each))
    if (only) others.delete(id)
    else others.add(id)
    ids.value = others
  }

  const all = () => (ids.value = new Set(rows.value.map((row) => row.id)))
  const letGo = () => (ids.value = new Set())

  /** Keys on a row's handle; gives the row to go on to, if that is another. */
  function press(id: string, event: KeyboardEvent): Row | undefined {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') all()
    else if (event.key === 'Escape') letGo()
    else if (!event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      const next = rows.value[rows.value.findIndex((row) => row.id === id) + (event.key === 'ArrowUp' ? -1 : 1)]
      if (next && event.shiftKey) {
        anchor ||= id
        range(next.id)
      }
      event.preventDefault()
      event.stopPropagation()
      return next
    } else return
    event.preventDefault()
    event.stopPropagation()
  }

  return { picked, isPicked, pick, press, all, letGo }
}
