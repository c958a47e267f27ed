import { onBeforeUnmount, ref } from 'vue'
import { api } from '@/api/client'
import { trying } from './notice'

const ASK_EVERY_MS = 250

/** No other window has it. */
const freshName = () => `task-${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`

/** Something that takes a while: how far it is, and a way to cancel it. */
export function useTask() {
  /** How much of it is done, from 0 to 1; null while nothing is going on. */
  const share = ref<number | null>(null)
  let running = ''
  let timer = 0

  async function ask() {
    const task = running
    const answer = await api.GET('/api/tasks/{task}', { params: { path: { task } } }).catch(() => null)
    if (task !== running) return
    share.value = answer?.data?.share ?? share.value
    timer = window.setTimeout(ask, ASK_EVERY_MS)
  }

  /** Does it under a name by which the server knows it. What went wrong is said, unless it was cancelled here. */
  async function begin<T>(job: (task: string) => Promise<T>): Promise<T | undefined> {
    const task = freshName()
    running = task
    share.value = 0
    timer = window.setTimeout(ask, ASK_EVERY_MS)
    let result: T | undefined
    await trying(async () => {
      result = await job(task).catch((failed) => {
        if (running === task) throw failed
        return undefined
      })
    })
    if (running === task) end()
    return result
  }

  /** Does it about something as it is now: again if that changed meanwhile. Nothing comes back if it gave way to another one. */
  async function beginAbout<A extends { id: string }, T>(about: () => A, job: (task: string) => Promise<T>) {
    for (;;) {
      const before = about()
      const result = await begin(job)
      if (result === undefined || before === about()) return result
      if (before.id !== about().id) return undefined
    }
  }

  function end() {
    clearTimeout(timer)
    running = ''
    share.value = null
  }

  /** Cancels it; the page is free at once. */
  function cancel() {
    const task = running
    if (!task) return
    end()
    return api.DELETE('/api/tasks/{task}', { params: { path: { task } } }).catch(() => null)
  }

  onBeforeUnmount(cancel)
  return { share, begin, beginAbout, cancel }
}
