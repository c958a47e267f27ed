<script setup lang="ts">
import { computed } from 'vue'
import { useDesk } from '@/desk/desk'
import { talkTo, useTalk } from '@/desk/talk'

/** Talks to performers as long as it is held; a short press keeps it on until the next one. */
const { to = undefined } = defineProps<{
  /** The cues whose performers hear it; left out, whom the top strip has chosen. */
  to?: string[]
}>()

const desk = useDesk()
const { on: talking, to: talkedTo, heard, press, release } = useTalk()

const wanted = computed(() => to ?? talkTo.value)
const on = computed(() => (to ? to.length > 0 && to.every((cue) => talkedTo.value.includes(cue)) : talking.value))
const names = (cues: string[]) => cues.flatMap((id) => desk.cues.find((cue) => cue.id === id)?.name ?? []).join(', ')
const title = computed(() =>
  talking.value
    ? heard.value.length
      ? `${names(heard.value)} can hear you`
      : 'Nobody hears you: their headphones are cut'
    : `Talk to ${wanted.value.length ? names(wanted.value) : 'everybody'}: hold it, or press it once to keep it on${to ? '' : ' (T)'}`,
)

function pointer(event: PointerEvent) {
  if (event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  press(wanted.value)
}

/** A press that comes from no pointer and no key: assistive technology. */
function clicked(event: MouseEvent) {
  if (event.detail !== 0) return
  press(wanted.value)
  release()
}
</script>

<template>
  <button
    class="word talk"
    :class="{ on }"
    :aria-pressed="on"
    :disabled="!desk.live"
    :title="title"
    @pointerdown="pointer"
    @pointerup="release"
    @pointercancel="release"
    @keydown.space.prevent.stop="$event.repeat || press(wanted)"
    @keydown.enter.prevent.stop="$event.repeat || press(wanted)"
    @keyup.space.prevent="release"
    @keyup.enter.prevent="release"
    @click="clicked"
  >
    <slot>Talk</slot>
  </button>
</template>

<style scoped>
.talk {
  touch-action: none;
  user-select: none;
}

.talk.on {
  border-color: var(--flare);
  background: var(--flare);
  color: var(--sheet);
}
</style>
