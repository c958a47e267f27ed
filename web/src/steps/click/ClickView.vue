<script setup lang="ts">
import { NInputNumber } from 'naive-ui'
import { computed } from 'vue'
import { useDesk } from '@/desk/desk'
import { useSong } from '@/desk/song'
import ClickBars from './ClickBars.vue'
import ClickVoices from './ClickVoices.vue'
import SongChanges from './SongChanges.vue'
import TempoLine from './TempoLine.vue'
import WhoHearsIt from './WhoHearsIt.vue'

/** The song that everybody plays to: its tempos and parts, how the click sounds, and who hears how much of it. */
const desk = useDesk()
const song = useSong()

const click = computed(() => desk.session!.click)
const lasts = computed(() => {
  const seconds = Math.round(song.value?.seconds ?? 0)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
})
const file = (name: string) => `/api/sessions/${desk.session!.id}/${name}`

function countIn(bars: number | null) {
  if (bars === null) return
  return desk.edit([{ kind: 'set-click', click: { ...click.value, countInBars: bars } }])
}
</script>

<template>
  <section v-if="song" class="step">
    <header>
      <h1>Click</h1>
      <span class="soft">{{ song.bars }} bars shown, {{ lasts }}. Press the line to go there.</span>
      <span class="fill"></span>
      <label class="count">
        counted in for
        <NInputNumber
          size="small"
          class="bars"
          :value="click.countInBars"
          :min="0"
          :max="8"
          :input-props="{ 'aria-label': 'Bars of count-in' }"
          @update:value="countIn"
        />
        {{ click.countInBars === 1 ? 'bar' : 'bars' }}
      </label>
      <a class="file" :href="file('click.wav')" download>Save the click as WAV</a>
      <a class="file" :href="file('click.mid')" download>Save the tempo as MIDI</a>
    </header>
    <TempoLine :song="song" />
    <div class="below">
      <SongChanges :song="song" />
      <div>
        <ClickBars :song="song" :click="click" />
        <ClickVoices :click="click" />
        <WhoHearsIt :click="click" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.count {
  display: flex;
  align-items: center;
  gap: 6px;
}

.bars {
  width: 80px;
}

.file {
  padding: 4px 10px;
  border: 1px solid var(--rule-strong);
  border-radius: var(--round);
  background: var(--sheet);
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}

.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
</style>
