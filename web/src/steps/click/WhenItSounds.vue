<script setup lang="ts">
import { NCheckbox, NInputNumber } from 'naive-ui'
import type { ClickPattern } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { setClick } from '@/desk/song'

/** When the click sounds: counted in, while the song plays, until it stops. */
defineProps<{ click: ClickPattern }>()

const desk = useDesk()
</script>

<template>
  <section>
    <h3>When it sounds</h3>
    <p>
      It counts in for
      <NInputNumber
        size="small"
        class="bars"
        :show-button="false"
        :value="click.countInBars"
        :min="0"
        :max="8"
        :input-props="{ 'aria-label': 'Bars of count-in' }"
        @update:value="(bars: number | null) => bars !== null && setClick(desk, { countInBars: bars })"
      />
      {{ click.countInBars === 1 ? 'bar' : 'bars' }}
      <NCheckbox
        :checked="click.countInOnly"
        @update:checked="(countInOnly: boolean) => setClick(desk, { countInOnly })"
      >
        and is silent then
      </NCheckbox>
    </p>
    <p v-if="!click.countInOnly">
      It stops after
      <NInputNumber
        size="small"
        class="bars"
        placeholder="no"
        :show-button="false"
        :value="click.stopsAfterBars || null"
        :min="1"
        :max="1000"
        :input-props="{ 'aria-label': 'Bars after which the click stops' }"
        @update:value="(bars: number | null) => setClick(desk, { stopsAfterBars: bars ?? 0 })"
      />
      bars of the song.
    </p>
  </section>
</template>

<style scoped>
h3 {
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
</style>
