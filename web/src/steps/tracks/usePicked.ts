import { computed, ref, type Ref } from 'vue'
import type { Track } from '@/api/client'

/** Which tracks are selected: one, one more with Ctrl, a range with Shift. */
export function usePicked(tracks: Ref<Track[]>) {
  const ids = ref(new Set<string>())
  let last = ''

  const picked = computed(() => tracks.value.filter((track) => ids.value.has(track.id)))

  function pick(id: string, event: MouseEvent) {
    const order = tracks.value.map((track) => track.id)
    const from = order.indexOf(last)
    const to = order.indexOf(id)
    if (event.shiftKey && from >= 0) {
      ids.value = new Set(order.slice(Math.min(from, to), Math.max(from, to) + 1))
      return
    }
    last = id
    const others = new Set(event.ctrlKey || event.metaKey ? ids.value : [])
    const only = ids.value.has(id) && [...ids.value].every((each) => each === id || others.has(each))
    if (only) others.delete(id)
    else others.add(id)
    ids.value = others
  }

  const letGo = () => (ids.value = new Set())

  return { picked, pick, letGo }
}
