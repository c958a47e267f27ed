<script setup lang="ts">
import { computed } from 'vue'
import type { ChainPlace, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import HeldNow from './HeldNow.vue'

/** What a track's sound passes, as words from left to right: what is printed, a line, what is heard only. A press opens it. */
const { track, open } = defineProps<{ track: Track; open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()

const desk = useDesk()
const standing = computed(() => desk.standingOf(track.id))
const at = (place: ChainPlace) => standing.value.effects.filter((each) => each.place === place)
const parts = computed(() => [
  ...(standing.value.may.includes('record')
    ? [{ place: 'printed' as const, none: 'clean', effects: at('printed') }]
    : []),
  { place: 'heard' as const, none: 'nothing heard only', effects: at('heard') },
])
const empty = computed(() => standing.value.effects.length === 0)
</script>

<template>
  <span class="line">
    <button
      class="plain words"
      :aria-expanded="open"
      :aria-label="`Chains of ${track.name}`"
      title="Before the line it is printed: it ends up in the recording. Behind it, only listeners hear it."
      @click="emit('toggle')"
    >
      <span aria-hidden="true" class="soft fold">{{ open ? '▾' : '▸' }}</span>
      <span v-if="empty" class="soft">{{ standing.may.includes('record') ? 'clean' : 'nothing heard only' }}</span>
      <template v-for="({ place, none, effects }, index) in parts" v-else :key="place">
        <span v-if="index" class="bar" role="separator" aria-label="heard only"></span>
        <span v-if="!effects.length" class="soft">{{ none }}</span>
        <template v-for="(effect, n) in effects" :key="effect.effect">
          <span v-if="n" class="soft"> → </span>
          <span :class="{ off: !effect.works }"
            ><strong>{{ effect.word }}</strong> {{ effect.how }}<template v-if="!effect.works"> off</template></span
          >
          <HeldNow
            v-if="effect.works && effect.reads && desk.live"
            :light="`effect/${track.id}/${effect.effect}`"
            :label="`Held back by the ${effect.word} of ${track.name}`"
          />
        </template>
      </template>
    </button>
  </span>
</template>

<style scoped>
.line {
  display: flex;
  min-width: 0;
}

.words {
  max-width: 100%;
  overflow: hidden;
  font-size: 12.5px;
  text-align: left;
  text-overflow: ellipsis;
}

.fold {
  display: inline-block;
  width: 16px;
}

.bar {
  display: inline-block;
  width: 1px;
  height: 14px;
  margin: 0 9px;
  background: var(--soft);
  vertical-align: middle;
}

.off {
  color: var(--soft);
}
</style>
