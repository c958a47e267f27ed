import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useDesk } from './desk'

/** Whom the top strip's button talks to, by their cues; empty for everybody. */
export const talkTo = ref<string[]>([])

/** As long as this one is taken to hold the button; shorter, it stays on until the next press. */
const HELD_MS = 350
/** A page that does not say again that it talks is taken to be gone. */
const AGAIN_MS = 2000

/** From when on it is pressed; 0 while it is not, or while a press ends what was on. */
let pressedAt = 0
let again = 0
/** Whether it was begun here, which the page may not have been told yet. */
let begun = false
/** What is sent goes out in turn, so that an end never comes before its beginning. */
let sent: Promise<boolean> = Promise.resolve(true)

/** Talking to performers: held, or switched on by a short press. */
export function useTalk() {
  const desk = useDesk()
  /** Whether somebody is talked to, the cues whose performers are, and those of them who hear it. */
  const on = computed(() => desk.live?.controlRoom.talkback?.on ?? false)
  const to = computed(() => desk.live?.controlRoom.talkback?.to ?? [])
  const heard = computed(() => desk.live?.controlRoom.talkback?.heard ?? [])

  /** @param still whether it only says that the page is still there */
  function say(on: boolean, to: string[], still = false): Promise<boolean> {
    sent = sent.then(() => desk.command({ kind: 'talk', on, connection: desk.connection, to, again: still }))
    return sent
  }

  function end() {
    clearInterval(again)
    pressedAt = 0
    begun = false
    void say(false, [])
  }

  /** It is over without a press: it was refused, or somebody else ended it. */
  function forget() {
    clearInterval(again)
    begun = false
  }

  function press(to: string[] = talkTo.value) {
    if (!desk.live) return
    if (on.value || begun) return end()
    pressedAt = performance.now()
    clearInterval(again)
    again = window.setInterval(() => (on.value ? say(true, to, true) : forget()), AGAIN_MS)
    begun = true
    void say(true, to).then((done) => (done ? undefined : forget()))
  }

  function release() {
    if (pressedAt && performance.now() - pressedAt >= HELD_MS) end()
    pressedAt = 0
  }

  /** Whoever holds it and leaves the window does not hold it any more. */
  function leave() {
    if (pressedAt) end()
  }

  return { on, to, heard, press, release, leave }
}

/** The T key talks from anywhere on the page, as the button in the top strip does; whoever calls it says when T is meant. */
export function useTalkKey() {
  const { press, release, leave } = useTalk()
  const up = (event: KeyboardEvent) => event.key.toLowerCase() === 't' && release()
  onMounted(() => {
    addEventListener('keyup', up)
    addEventListener('blur', leave)
  })
  onBeforeUnmount(() => {
    removeEventListener('keyup', up)
    removeEventListener('blur', leave)
    leave()
  })
  return (down: KeyboardEvent) => {
    if (!down.repeat) press()
  }
}
