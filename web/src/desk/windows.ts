import { ref } from 'vue'

/** Whether another window of this browser shows the same session: both are one person, and undo takes back what either did. */
export const inAnotherWindow = ref(false)

interface Said {
  session: string
  /** A window that asks wants an answer; one that leaves may have been the only other one. */
  says: 'who is there' | 'I am' | 'I leave'
}

/** Asks other windows for a session, and answers those that ask, until closed. */
export function amongWindows(session: string): () => void {
  inAnotherWindow.value = false
  const all = new BroadcastChannel('vivid-lantern')
  all.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data.session !== session) return
    inAnotherWindow.value = data.says !== 'I leave'
    if (data.says === 'who is there') say('I am')
    if (data.says === 'I leave') say('who is there')
  }
  const say = (says: Said['says']) => all.postMessage({ session, says } satisfies Said)
  const leave = () => say('I leave')
  addEventListener('pagehide', leave)
  say('who is there')
  return () => {
    removeEventListener('pagehide', leave)
    leave()
    all.close()
  }
}
