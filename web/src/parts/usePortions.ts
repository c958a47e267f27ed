import { computed, onBeforeUnmount, onMounted, ref, watch, type ComputedRef } from 'vue'

const FIRST = 30
const MORE = 15

/** The rows of a long list: the first at once, the rest over the next frames, so that a step opens without a wait. */
export function usePortions<Row>(rows: () => Row[]): ComputedRef<Row[]> {
  const shown = ref(FIRST)
  let frame = 0

  function more() {
    cancelAnimationFrame(frame)
    if (shown.value >= rows().length) return
    frame = requestAnimationFrame(() => {
      shown.value += MORE
      more()
    })
  }

  onMounted(more)
  watch(() => rows().length, more)
  onBeforeUnmount(() => cancelAnimationFrame(frame))

  return computed(() => (shown.value >= rows().length ? rows() : rows().slice(0, shown.value)))
}
