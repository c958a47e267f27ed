<script setup lang="ts">
import { computed } from 'vue'
import type { ChainPlace, Track } from '@/api/client'
import { chainsOf } from '@/desk/chains'
import { useDesk } from '@/desk/desk'
import LevelLine from '@/parts/LevelLine.vue'
import { useRowDrag } from '@/parts/useRowDrag'
import WordSwitch from '@/parts/WordSwitch.vue'
import AddEffect from './AddEffect.vue'
import EffectCard from './EffectCard.vue'
import SendsInto from './SendsInto.vue'
import SendsOut from './SendsOut.vue'

/** Both chains of a track and what it sends, opened: each effect as a picture and a few lines of numbers, in the order in which the sound passes them. */
const { track } = defineProps<{ track: Track }>()

const EFFECT = 'effect/'

const desk = useDesk()
const chains = computed(() => chainsOf(desk.session!, track.id))
const printable = computed(() => desk.standingOf(track.id).may.includes('record'))
const parts = computed(() => [
  ...(printable.value
    ? [{ place: 'printed' as const, words: 'printed', what: 'ends up in the recording', chain: chains.value.printed }]
    : []),
  {
    place: 'heard' as const,
    words: 'heard only',
    what: 'listeners get it, the recording does not',
    chain: chains.value.heard,
  },
])

const placeOf = (id: string): ChainPlace =>
  chains.value.printed.effects.some((each) => each.id === id) ? 'printed' : 'heard'

const { dragged, over, begin } = useRowDrag((id, target) => {
  if (target.startsWith('chain/')) {
    const place = target.slice('chain/'.length) as ChainPlace
    return desk.edit([{ kind: 'move-effect', track: track.id, effect: id, place, before: null }])
  }
  if (!target.startsWith(EFFECT)) return
  const before = target.slice(EFFECT.length)
  return desk.edit([{ kind: 'move-effect', track: track.id, effect: id, place: placeOf(before), before }])
})
</script>

<template>
  <div class="panel">
    <div class="heads">
      <div v-for="{ place, words, what, chain } in parts" :key="place" class="head" :data-row="`chain/${place}`">
        <strong :class="place">{{ words }}</strong>
        <span class="soft what">{{ what }}</span>
        <LevelLine
          v-if="place === 'printed' && chain.effects.length"
          class="level"
          :light="`print/${track.id}`"
          :label="`Level printed of ${track.name}`"
        />
        <WordSwitch
          v-if="chain.effects.length"
          column="chain"
          :on="!chain.on"
          :label="`Switch off all that is ${words} on ${track.name}`"
          :set="(off, gesture) => desk.edit([{ kind: 'switch-chain', track: track.id, place, on: !off }], gesture)"
          >all off</WordSwitch
        >
        <AddEffect :track="track.id" :place="place" :words="words" />
      </div>
      <SendsInto :track="track" />
      <SendsOut :track="track" />
    </div>
    <div v-if="parts.some(({ chain }) => chain.effects.length)" class="effects">
      <template v-for="{ place, words, chain } in parts" :key="place">
        <EffectCard
          v-for="effect in chain.effects"
          :key="effect.id"
          :class="{ target: dragged && over === EFFECT + effect.id, dragged: dragged === effect.id }"
          :track="track"
          :place="place"
          :words="words"
          :effect="effect"
          @drag="begin(effect.id, $event)"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 4px 12px;
  white-space: normal;
}

.heads {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 36px;
}

.head {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 12.5px;
}

.level {
  width: 150px;
}

.printed {
  color: var(--sea);
}

.heard {
  color: var(--lantern);
}

.effects {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
  align-items: start;
  gap: 12px;
}

.dragged {
  opacity: 0.5;
}

.target {
  box-shadow: inset 3px 0 0 var(--sea);
}

@media (max-width: 1100px) {
  .what {
    display: none;
  }
}
</style>
