<script setup lang="ts">
import { computed } from 'vue'
import type { SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useDrag } from '@/desk/gesture'
import { across, spotAt, type Spot } from '@/desk/bars'

/** What is played along, over the bars in which it sounds: dragged from bar to bar, with Shift from beat to beat. */
const { song, follow } = defineProps<{
  song: SongOutline
  /** Tells at which place of the song a pointer is until it is let go. */
  follow: (event: PointerEvent, moved: (place: number, byBeats: boolean) => void, released: () => unknown) => void
}>()

const desk = useDesk()

/** As much of each as lies in the bars that are shown; the first few. */
const MOST_SOUNDS = 3
const bands = computed(() =>
  song.sounds
    .map((sound) => {
      const left = Math.max(0, across(song, sound.place))
      return { ...sound, left, width: Math.min(100, across(song, sound.end)) - left }
    })
    .filter((band) => band.width > 0)
    .slice(0, MOST_SOUNDS),
)

function drag(event: PointerEvent, sound: SongOutline['sounds'][number]) {
  const begins = sound.place
  const box = (event.currentTarget as HTMLElement).parentElement!.getBoundingClientRect()
  const held = 1 + (song.bars * (event.clientX - box.left)) / box.width - begins
  let at: Spot | null = null
  const moving = useDrag(async (to: Spot, gesture) => {
    if (to.bar === at?.bar && to.beat === at.beat) return
    if (await desk.edit([{ kind: 'move-backing', track: sound.track, ...to }], gesture)) at = to
  })
  follow(event, (place, byBeats) => moving.move(spotAt(song, place - held, byBeats)), moving.finish)
}
</script>

<template>
  <span
    v-for="(band, at) in bands"
    :key="band.track"
    class="sound"
    :title="`${band.name}, from bar ${Math.floor(band.place)}: drag to another bar, with Shift to another beat`"
    :style="{ left: `${band.left}%`, width: `${band.width}%`, bottom: `${2 + 17 * at}px` }"
    @pointerdown="drag($event, band)"
  >
    {{ band.name }}
  </span>
</template>

<style scoped>
.sound {
  position: absolute;
  height: 16px;
  padding: 0 6px;
  overflow: hidden;
  border-radius: 3px;
  background: var(--sea-weak);
  color: var(--ink);
  font-size: 11.5px;
  line-height: 16px;
  white-space: nowrap;
  cursor: ew-resize;
  touch-action: none;
}
</style>
