<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import type { ClickPattern } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { setClick } from '@/desk/song'
import NumberBox from '@/parts/NumberBox.vue'

/** When the click sounds: counted in, while the song plays, until it stops. */
defineProps<{ click: ClickPattern }>()

const desk = useDesk()
</script>

<template>
  <section>
    <h3>When it sounds</h3>
    <p>
      It counts in for
      <NumberBox
        class="bars"
        :value="click.countInBars"
        :min="0"
        :max="8"
        label="Bars of count-in"
        :set="(bars) => setClick(desk, { countInBars: bars })"
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
      <NumberBox
        class="bars"
        placeholder="no"
        :value="click.stopsAfterBars || null"
        :min="1"
        :max="1000"
        label="Bars after which the click stops"
        :set="(bars) => setClick(desk, { stopsAfterBars: bars })"
        :optional="() => setClick(desk, { stopsAfterBars: 0 })"
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
