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
/** What is sent goes out in turn, so that an end never comes before its beginning. */
let sent: Promise<unknown> = Promise.resolve()

/** Talking to performers: held, or switched on by a short press. */
export function useTalk() {
  const desk = useDesk()
  /** The cues whose performers are talked to. */
  const hearing = computed(() => desk.live?.controlRoom.talkback?.to ?? [])

  function say(on: boolean, to: string[]) {
    sent = sent.then(() => desk.command({ kind: 'talk', on, connection: desk.connection, to }))
    return sent
  }

  function end() {
    clearInterval(again)
    pressedAt = 0
    void say(false, [])
  }

  function press(to: string[] = talkTo.value) {
    if (!desk.live || pressedAt) return
    if (hearing.value.length) return end()
    pressedAt = performance.now()
    clearInterval(again)
    again = window.setInterval(() => (hearing.value.length ? say(true, to) : clearInterval(again)), AGAIN_MS)
    void say(true, to).then((began) => began || clearInterval(again))
  }

  function release() {
    if (pressedAt && performance.now() - pressedAt >= HELD_MS) end()
    pressedAt = 0
  }

  /** Whoever holds it and leaves the window does not hold it any more. */
  function leave() {
    if (pressedAt) end()
  }

  return { hearing, press, release, leave }
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
