import { shallowRef } from 'vue'
import { api, type Limits } from '@/api/client'

const limits = shallowRef<Limits | null>(null)
let asked = false

/** Which numbers the program takes; nothing until it has said so. Asked once. */
export function useLimits() {
  if (!asked) {
    asked = true
    api
      .GET('/api/limits')
      .then((answer) => (limits.value = answer.data ?? null))
      .catch(() => (asked = false))
  }
  return limits
}
