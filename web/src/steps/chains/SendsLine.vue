<script setup lang="ts">
import { NButton, NDropdown, type DropdownOption } from 'naive-ui'
import { reactive } from 'vue'
import type { Level, Tap } from '@/api/client'
import { TAPS } from '@/desk/taps'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import LevelCell from '@/parts/LevelCell.vue'
import { longMenu } from '@/parts/longMenu'

/** What a track sends, in a line: where to, how loud, and where it leaves the track. */
const { words, hint, sends, set } = defineProps<{
  words: string
  /** Said while there is nothing. */
  hint: string
  /** @param label names it for those who do not see the line */
  sends: { key: string; name: string; label: string; level: Level; tap: Tap }[]
  set: (key: string, level: Level, tap: Tap, gesture: string | null) => Promise<unknown>
  options: DropdownOption[]
  /** What opens the options, and its full name. */
  more: string
  moreLabel: string
}>()
defineEmits<{ add: [key: string] }>()

/** Where sends that are off just now left the track before. */
const tapsBefore = reactive(new Map<string, Tap>())
const tapOf = (send: { key: string; level: Level; tap: Tap }) =>
  send.level === 'off' ? (tapsBefore.get(send.key) ?? send.tap) : send.tap

function change(key: string, level: Level, tap: Tap, gesture: string | null = null) {
  tapsBefore.set(key, tap)
  return set(key, level, tap, gesture)
}
</script>

<template>
  <div class="head">
    <strong>{{ words }}</strong>
    <span v-if="!sends.length" class="soft what">{{ hint }}</span>
    <span v-for="send in sends" :key="send.key" class="send" :class="{ soft: send.level === 'off' }">
      {{ send.name }}
      <LevelCell
        class="level"
        light=""
        :label="send.label"
        :level="send.level"
        :silent="send.level === 'off'"
        :set="(wanted, gesture) => change(send.key, wanted, tapOf(send), gesture)"
      />
      <ChoiceWord
        v-if="send.level !== 'off'"
        class="tap"
        :value="send.tap"
        :options="TAPS"
        :label="`Tap of ${send.label}`"
        @choose="(wanted: Tap) => change(send.key, send.level, wanted)"
      />
    </span>
    <NDropdown trigger="click" :options="options" :menu-props="longMenu" @select="(key: string) => $emit('add', key)">
      <NButton size="tiny" :aria-label="moreLabel" :disabled="!options.length">{{ more }}</NButton>
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
