<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import { computed, ref } from 'vue'
import type { ClickPattern, SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import DialogCard from '@/parts/DialogCard.vue'
import SelectRow from '@/parts/SelectRow.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** The click as a file: the whole song or some bars, all voices or one, with its count-in or without. */
const { song, click } = defineProps<{ song: SongOutline; click: ClickPattern }>()
const emit = defineEmits<{ close: [] }>()

const ALL = 'all'
const EACH = 'each'

const desk = useDesk()
const voice = ref(ALL)
const whole = ref(song.lastBar !== null)
const first = ref(1)
const last = ref(song.lastBar ?? song.bars)
const countIn = ref(true)

const voices = computed(() => [
  { label: 'All voices together', value: ALL },
  { label: 'Each voice in a file of its own', value: EACH },
  ...click.voices.map((each) => ({ label: `${each.name} alone`, value: each.id })),
])
const wav = computed(() => {
  const query = new URLSearchParams({
    bars: whole.value ? ALL : `${first.value}-${last.value}`,
    countIn: String(countIn.value),
    ...(voice.value === ALL || voice.value === EACH ? {} : { voice: voice.value }),
  })
  return `/api/sessions/${desk.session!.id}/click.${voice.value === EACH ? 'zip' : 'wav'}?${query}`
})
</script>

<template>
  <DialogCard :show="true" title="Save to a file" :width="460" @update:show="emit('close')">
    <form class="form" @submit.prevent>
      <SelectRow v-model="voice" label="What sounds" :options="voices" />
      <p>
        <NCheckbox v-model:checked="whole" :disabled="song.lastBar === null">The whole song</NCheckbox>
        <span v-if="song.lastBar === null" class="soft">It has no end yet.</span>
      </p>
      <p v-if="!whole">
        Bars
        <NumberBox class="bar" label="First bar" :value="first" :min="1" :set="(bar) => (first = bar)" />
        to
        <NumberBox class="bar" label="Last bar of the file" :value="last" :min="first" :set="(bar) => (last = bar)" />
      </p>
      <p><NCheckbox v-model:checked="countIn">With the count-in before it</NCheckbox></p>
      <p>
        <a class="file" :href="wav" download>{{
          voice === EACH ? 'Save the voices as a ZIP, 24 bit' : 'Save the click as WAV, 24 bit'
        }}</a>
        <a class="file" :href="`/api/sessions/${desk.session!.id}/click.mid`" download>Save the tempo as MIDI</a>
      </p>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 0;
}

.bar {
  width: 72px;
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
</style>
