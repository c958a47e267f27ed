<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import type { ClickPattern } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import { setClick } from '@/desk/song'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** When the click sounds: counted in, while the song plays or stands, until it stops. */
defineProps<{ click: ClickPattern }>()

const desk = useDesk()
const limits = useLimits()

const WHEN = {
  playing: { countInOnly: false, whileStopped: false },
  'count-in': { countInOnly: true, whileStopped: false },
  always: { countInOnly: false, whileStopped: true },
}
const OPTIONS: { label: string; value: keyof typeof WHEN }[] = [
  { label: 'while the song plays', value: 'playing' },
  { label: 'in the count-in only', value: 'count-in' },
  { label: 'always, also while the song stands', value: 'always' },
]
const whenOf = (click: ClickPattern): keyof typeof WHEN =>
  click.countInOnly ? 'count-in' : click.whileStopped ? 'always' : 'playing'
</script>

<template>
  <section>
    <h2>When it sounds</h2>
    <p>
      It sounds
      <NamedSelect
        class="when"
        :value="whenOf(click)"
        :options="OPTIONS"
        label="When the click sounds"
        @update:value="(when: keyof typeof WHEN) => setClick(desk, () => WHEN[when])"
      />
    </p>
    <p>
      <NCheckbox
        :checked="click.onlyArmed"
        @update:checked="(onlyArmed: boolean) => setClick(desk, () => ({ onlyArmed }))"
      >
        only while a track is armed
      </NCheckbox>
    </p>
    <p>
      It counts in for
      <NumberBox
        class="bars"
        :value="click.countInBars"
        :range="limits?.countInBars"
        label="Bars of count-in"
        :set="(bars) => setClick(desk, () => ({ countInBars: bars }))"
      />
      {{ click.countInBars === 1 ? 'bar' : 'bars' }}
    </p>
    <p v-if="!click.countInOnly">
      It stops after
      <NumberBox
        class="bars"
        placeholder="no"
        :value="click.stopsAfterBars || null"
        :range="limits?.barsUntilSilent"
        label="Bars after which the click stops"
        :set="(bars) => setClick(desk, () => ({ stopsAfterBars: bars }))"
        :optional="() => setClick(desk, () => ({ stopsAfterBars: 0 }))"
      />
      bars of the song.
    </p>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 18px;
  font-size: 16px;
}

p {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}

.bars {
  width: 56px;
}

.when {
  flex: 1;
  max-width: 270px;
}
</style>
