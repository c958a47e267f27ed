import { ref } from 'vue'

/** An act that takes a moment: while it is at work it says so, and pressed again it does nothing. */
export function useBusy() {
  const busy = ref(false)

  async function run(act: () => unknown) {
    if (busy.value) return
    busy.value = true
    try {
      await act()
    } finally {
      busy.value = false
    }
  }

  return { busy, run }
}
