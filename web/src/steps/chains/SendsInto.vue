<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { computed, reactive } from 'vue'
import type { Level, Tap, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { TAPS } from '@/desk/taps'
import { NEW_RETURNS, newReturn, returnsOf, sendInto } from '@/desk/ways'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import LevelCell from '@/parts/LevelCell.vue'

/** What of a track goes into each return: how loud, and where it leaves the track. */
const { track } = defineProps<{ track: Track }>()

const desk = useDesk()
/** Where sends that are off just now left the track before. */
const tapsBefore = reactive(new Map<string, Tap>())
const sends = computed(() =>
  returnsOf(desk.session!)
    .filter((each) => each.id !== track.id)
    .map(({ id, name }) => {
      const send = desk.standingOf(track.id).way.sends.find((each) => each.into === id)
      const tap = send?.tap ?? tapsBefore.get(id) ?? 'post-fader'
      return { into: id, name, level: send?.level ?? ('off' as const), tap }
    }),
)
const options = NEW_RETURNS.map(({ label, name }) => ({ key: name, label }))

function set(into: string, level: Level, tap: Tap, gesture: string | null = null) {
  tapsBefore.set(into, tap)
  return desk.edit([sendInto(track.id, into, level, tap)], gesture)
}

async function add(key: string) {
  const wished = NEW_RETURNS.find(({ name }) => name === key)!
  return desk.edit(await newReturn(desk, wished, [track]))
}
</script>

<template>
  <div class="head">
    <strong>sent into</strong>
    <span v-if="!sends.length" class="soft what">a room or an echo that tracks share</span>
    <span v-for="{ into, name, level, tap } in sends" :key="into" class="send" :class="{ soft: level === 'off' }">
      {{ name }}
      <LevelCell
        class="level"
        light=""
        :label="`${track.name} into ${name}`"
        :level="level"
        :silent="level === 'off'"
        :set="(wanted, gesture) => set(into, wanted, tap, gesture)"
      />
      <ChoiceWord
        v-if="level !== 'off'"
        class="tap"
        :value="tap"
        :options="TAPS"
        :label="`Tap of ${track.name} into ${name}`"
        @choose="(wanted: Tap) => set(into, level, wanted)"
      />
    </span>
    <NDropdown trigger="click" :options="options" @select="add">
      <NButton size="tiny" :aria-label="`Send ${track.name} into a new return`">New return</NButton>
    </NDropdown>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  font-size: 12.5px;
}

.send {
  display: flex;
  align-items: center;
  gap: 8px;
}

.level {
  flex: none;
  width: 190px;
}

.tap {
  flex: none;
  width: 104px;
}

@media (max-width: 1100px) {
  .what {
    display: none;
  }
}
</style>
