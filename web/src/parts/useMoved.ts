import { computed, shallowRef } from 'vue'
import { followPointer, useDrag, useSteps } from '@/desk/gesture'

/** A value that is dragged sideways, or moved by keys and wheel: what it is meanwhile, and how that is sent. */
export function useMoved<T>(value: () => T, set: (value: T, gesture: string) => Promise<unknown>) {
  const held = shallowRef<T | null>(null)
  const now = computed(() => held.value ?? value())
  const stepGesture = useSteps()

  return {
    now,
    /** @param moved what the value becomes after the pointer has moved by some pixels */
    press(event: PointerEvent, moved: (by: number, event: PointerEvent) => T) {
      if (event.button !== 0) return
      const drag = useDrag(set)
      followPointer(
        event,
        (by, at) => {
          held.value = moved(by, at)
          drag.move(held.value)
        },
        () => drag.finish().then(() => (held.value = null)),
      )
    },
    /** Takes a step, if the key or the wheel makes one. */
    step(event: Event, wanted: T | undefined) {
      if (wanted === undefined) return
      event.preventDefault()
      event.stopPropagation()
      if (wanted !== value()) void set(wanted, stepGesture())
    },
  }
}
