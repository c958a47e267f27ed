import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'

/** Lists up to this long are drawn whole. */
const WHOLE = 60
/** So many rows are drawn beyond what is seen, so that scrolling shows no gap; in steps, so that it seldom draws. */
const BEYOND = 5
const STEP = 4

/** Every list of which only a part is drawn: it brings a row into view that somebody is led to. */
const lists = new Set<(id: string) => boolean>()

/** Has the list that knows a row bring it into view; false if none does. */
export const reveal = (id: string) => [...lists].some((show) => show(id))

/**
 * Of a long list the rows that are seen, in a sheet that scrolls; the others are told by their height alone.
 *
 * @param extra how many pixels higher than a plain row one is
 */
export function useWindow<Row extends { id: string }>(rows: () => Row[], extra: (row: Row) => number = () => 0) {
  const sheet = ref<HTMLElement>()
  const height = ref(32)
  const first = ref(0)
  const last = ref(24)
  let sizes: ResizeObserver | undefined
  let asked = 0

  const whole = computed(() => rows().length <= WHOLE)
  /** Where each row begins, and where the last one ends. */
  const tops = computed(() => {
    const all = [0]
    for (const row of whole.value ? [] : rows()) all.push(all.at(-1)! + height.value + extra(row))
    return all
  })
  const drawn = computed(() => (whole.value ? rows() : rows().slice(first.value, last.value)))
  const above = computed(() => (whole.value ? 0 : tops.value[Math.min(first.value, rows().length)]!))
  const below = computed(() =>
    whole.value ? 0 : tops.value.at(-1)! - tops.value[Math.min(last.value, rows().length)]!,
  )

  function at(pixel: number) {
    let [low, high] = [0, tops.value.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (tops.value[middle]! <= pixel) low = middle
      else high = middle - 1
    }
    return low
  }

  function look() {
    const box = sheet.value
    if (!box || whole.value) return
    const row = box.querySelector<HTMLElement>('tbody tr[data-row]')?.offsetHeight
    if (row) height.value = row
    const from = at(box.scrollTop) - BEYOND
    const to = at(box.scrollTop + box.clientHeight) + 1 + BEYOND
    first.value = Math.max(0, Math.floor(from / STEP) * STEP)
    last.value = Math.min(rows().length, Math.ceil(to / STEP) * STEP)
  }

  function scrolled() {
    cancelAnimationFrame(asked)
    asked = requestAnimationFrame(look)
  }

  /** Scrolls so far that a row is in view, and draws it. */
  function show(index: number) {
    const box = sheet.value
    if (!box || whole.value || index < 0) return nextTick()
    const head = box.querySelector<HTMLElement>('thead')?.offsetHeight ?? 0
    const top = tops.value[index]!
    if (top < box.scrollTop) box.scrollTop = top
    else if (top + height.value + head > box.scrollTop + box.clientHeight) {
      box.scrollTop = top + height.value + head - box.clientHeight
    }
    look()
    return nextTick()
  }

  function showRow(id: string) {
    const index = rows().findIndex((row) => row.id === id)
    void show(index)
    return index >= 0
  }

  watch(sheet, (now, before) => {
    before?.removeEventListener('scroll', scrolled)
    now?.addEventListener('scroll', scrolled, { passive: true })
    sizes?.disconnect()
    if (!now) return
    sizes = new ResizeObserver(scrolled)
    sizes.observe(now)
  })
  watch(() => rows().length, scrolled)
  onMounted(() => lists.add(showRow))
  onBeforeUnmount(() => {
    lists.delete(showRow)
    sizes?.disconnect()
    cancelAnimationFrame(asked)
  })

  return { sheet, drawn, above, below, first, show, look: scrolled }
}
