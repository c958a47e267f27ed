import { onBeforeUnmount, ref } from 'vue'
import { api } from '@/api/client'
import { trying } from './notice'

const ASK_EVERY_MS = 250

/** No other window has it. */
const freshName = () => `work-${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`

/** Something that takes a while: how far it is, and a way to cancel it. */
export function useWork() {
  /** How much of it is done, from 0 to 1; null while nothing is going on. */
  const share = ref<number | null>(null)
  let running = ''
  let timer = 0

  async function ask() {
    const work = running
    const answer = await api.GET('/api/work/{work}', { params: { path: { work } } }).catch(() => null)
    if (work !== running) return
    share.value = answer?.data?.share ?? share.value
    timer = window.setTimeout(ask, ASK_EVERY_MS)
  }

  /** Does it under a name by which the server knows it. What went wrong is said, unless it was cancelled here. */
  async function begin<T>(job: (work: string) => Promise<T>): Promise<T | undefined> {
    const work = freshName()
    running = work
    share.value = 0
    timer = window.setTimeout(ask, ASK_EVERY_MS)
    let result: T | undefined
    await trying(async () => {
      result = await job(work).catch((failed) => {
        if (running === work) throw failed
        return undefined
      })
    })
    if (running === work) end()
    return result
  }

  function end() {
    clearTimeout(timer)
    running = ''
    share.value = null
  }

  /** Cancels it; the page is free at once. */
  function cancel() {
    const work = running
    if (!work) return
    end()
    return api.DELETE('/api/work/{work}', { params: { path: { work } } }).catch(() => null)
  }

  onBeforeUnmount(cancel)
  return { share, begin, cancel }
}
