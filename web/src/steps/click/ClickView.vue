<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { clock } from '@/desk/bars'
import { useSong } from '@/desk/song'
import BarRange from './BarRange.vue'
import BigClock from './BigClock.vue'
import ClickBars from './ClickBars.vue'
import ClickVoices from './ClickVoices.vue'
import GuideTracks from './GuideTracks.vue'
import ImportMidi from './ImportMidi.vue'
import SaveClick from './SaveClick.vue'
import SongChanges from './SongChanges.vue'
import SongParts from './SongParts.vue'
import TapTempo from './TapTempo.vue'
import TempoLine from './TempoLine.vue'
import WhenItSounds from './WhenItSounds.vue'
import WhoHearsIt from './WhoHearsIt.vue'

/** The song that everybody plays to: its tempos and parts, how the click sounds and who hears it, and what is played along. */
const desk = useDesk()
const song = useSong()

const PAGES = ['The click', 'The song', 'Guide tracks'] as const
const page = ref<(typeof PAGES)[number]>('The click')
const open = ref<'save' | 'tap' | 'import' | 'clock' | null>(null)

const click = computed(() => desk.session!.click)
const voices = computed(() => desk.tracks.filter((track) => track.role === 'click'))
const guides = computed(() => desk.tracks.filter((track) => track.role === 'backing'))
const extent = computed(() => {
  if (!song.value) return ''
  const { bars, seconds, lastBar } = song.value
  return lastBar ? `${bars} bars, ${clock(seconds)}` : `${bars} bars shown, ${clock(seconds)}; it has no end yet`
})
</script>

<template>
  <section v-if="song" class="step">
    <header>
      <h1>Click</h1>
      <span class="soft">{{ extent }}. Press the line to go there.</span>
      <span class="fill"></span>
      <NButton size="small" @click="open = 'clock'">Big clock</NButton>
      <NButton size="small" @click="open = 'tap'">Tap a tempo</NButton>
      <NButton size="small" @click="open = 'import'">Import MIDI</NButton>
      <NButton size="small" @click="open = 'save'">Save to a file</NButton>
    </header>
    <TempoLine :song="song" />
    <div class="joined" role="group" aria-label="What to set">
      <button v-for="each in PAGES" :key="each" class="word page" :aria-pressed="each === page" @click="page = each">
        {{ each }}
      </button>
    </div>
    <div v-if="page === 'The click'" class="below click">
      <div>
        <ClickBars :song="song" :click="click" />
        <ClickVoices :click="click" />
      </div>
      <div>
        <WhoHearsIt :tracks="voices" kind="Voice of the click" />
        <WhenItSounds :click="click" />
      </div>
    </div>
    <div v-else-if="page === 'The song'" class="below song">
      <div>
        <SongChanges :song="song" />
        <BarRange />
      </div>
      <SongParts :song="song" :click="click" />
    </div>
    <div v-else class="below guides">
      <GuideTracks :tracks="guides" />
      <WhoHearsIt v-if="guides.length" :tracks="guides" kind="Guide track" />
    </div>
    <SaveClick v-if="open === 'save'" :song="song" :click="click" @close="open = null" />
    <TapTempo v-if="open === 'tap'" :guides="guides" @close="open = null" />
    <ImportMidi v-if="open === 'import'" @close="open = null" />
    <BigClock v-if="open === 'clock'" :song="song" @close="open = null" />
  </section>
</template>

<style scoped>
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
  flex: 1;
  min-height: 0;
  overflow: auto;
}

.click,
.guides {
  grid-template-columns: minmax(0, 2.05fr) minmax(0, 1fr);
}

.song {
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
}

.page {
  padding: 4px 14px;
}

@media (max-width: 820px) {
  .below,
  .guides,
  .song {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
