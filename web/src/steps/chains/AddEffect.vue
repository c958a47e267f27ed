<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed, h } from 'vue'
import type { ChainPlace } from '@/api/client'
import { chainsOf } from '@/desk/chains'
import { useDesk } from '@/desk/desk'
import { useEffects } from '@/desk/effects'

/** Puts an effect at the end of a chain, or all of a starting point. */
const { track, place, words } = defineProps<{ track: string; place: ChainPlace; words: string }>()

const POINT = 'point/'

const desk = useDesk()
const { effects, startingPoints } = useEffects()

const about = (word: string, what: string) => () =>
  h('span', { title: what }, [
    word,
    h('span', { style: { color: 'var(--soft)', fontSize: '12px', marginLeft: '8px' } }, what),
  ])

const options = computed(() => [
  ...effects.value.map((each) => ({ key: each.type, label: about(each.word, each.about) })),
  { type: 'divider', key: 'line' },
  {
    key: 'points',
    label: 'Starting points',
    children: startingPoints.value.map((each) => ({
      key: POINT + each.name,
      label: about(each.name, each.about),
    })),
  },
])

function add(key: string) {
  const point = startingPoints.value.find((each) => POINT + each.name === key)
  if (point) {
    const chain = chainsOf(desk.session!, track)[place]
    const longer = { ...chain, effects: [...chain.effects, ...point.chain.effects] }
    return desk.edit([{ kind: 'set-chain', track, place, chain: longer }])
  }
  const effect = effects.value.find((each) => each.type === key)
  if (effect) return desk.edit([{ kind: 'add-effect', track, place, type: effect.type, before: null }])
}
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="add">
    <NButton size="tiny" :aria-label="`Add to what is ${words}`">Add</NButton>
  </NDropdown>
</template>
