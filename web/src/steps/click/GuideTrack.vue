<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import { computed } from 'vue'
import type { Backing, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { clock } from '@/desk/bars'
import { unsentOf, whole } from '@/desk/whole'
import EditableText from '@/parts/EditableText.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import SoundPicture from './SoundPicture.vue'

/** A sound that is played along: what it is, where it begins, how much of it is heard. */
const { track, backing } = defineProps<{ track: Track; backing: Backing | undefined }>()
const emit = defineEmits<{ replace: [] }>()

const desk = useDesk()

const FOLLOWS: { label: string; value: Backing['follows'] }[] = [
  { label: 'at a bar', value: 'bars' },
  { label: 'at a time', value: 'time' },
]
const seconds = computed(() => (backing ? backing.media.frames / backing.media.sampleRate : 0))
const file = computed(() => (backing ? 'Another file' : 'Choose a file'))
const about = computed(() => {
  if (!backing) return 'no sound yet'
  const { name, channels, sampleRate } = backing.media
  const width = ['', 'mono', 'stereo'][channels] ?? `${channels} channels`
  return `${name}, ${clock(seconds.value)}, ${width}, ${sampleRate / 1000} kHz`
})

const change = whole<Backing>()
const waiting = () => unsentOf(desk, 'set-backing').filter((each) => each.backing.track === track.id)
const set = (other: Partial<Backing>, gesture: string | null = null) =>
  change(
    () => waiting().at(-1)?.backing ?? backing!,
    (base) => ({ ...base, ...other }),
    (changed) => desk.edit([{ kind: 'set-backing', backing: changed }], gesture),
  )
</script>

<template>
  <section class="guide" :aria-label="track.name">
    <header>
      <strong>
        <EditableText
          :text="track.name"
          :label="`Name of ${track.name}`"
          :set="(name) => desk.edit([{ kind: 'rename-track', track: track.id, name }])"
        />
      </strong>
      <span class="soft about">{{ about }}</span>
      <NButton size="tiny" :aria-label="`${file} for ${track.name}`" @click="emit('replace')">{{ file }}</NButton>
      <NButton
        size="tiny"
        :aria-label="`Remove ${track.name}`"
        @click="desk.edit([{ kind: 'remove-track', track: track.id }])"
      >
        Remove
      </NButton>
    </header>
    <template v-if="backing">
      <SoundPicture :backing="backing" :seconds="seconds" :trim="(from, to, gesture) => set({ from, to }, gesture)" />
      <p>
        begins
        <NamedSelect
          class="follows"
          :value="backing.follows"
          :options="FOLLOWS"
          :label="`What ${track.name} follows`"
          @update:value="(follows: Backing['follows']) => set({ follows })"
        />
        <template v-if="backing.follows === 'bars'">
          <NumberBox
            class="number"
            :value="backing.bar"
            :min="1"
            :label="`Bar at which ${track.name} begins`"
            :set="(bar) => set({ bar })"
          />
          beat
          <NumberBox
            class="number"
            :value="backing.beat"
            :min="1"
            :label="`Beat at which ${track.name} begins`"
            :set="(beat) => set({ beat })"
          />
        </template>
        <template v-else>
          <NumberBox
            class="number wide"
            :value="backing.seconds"
            :label="`Seconds at which ${track.name} begins`"
            :set="(at) => set({ seconds: at })"
          />
          s after bar 1 begins
        </template>
      </p>
      <p>
        plays from
        <NumberBox
          class="number wide"
          :value="Number(backing.from.toFixed(3))"
          :min="0"
          :label="`Where ${track.name} begins in its file, in seconds`"
          :set="(from) => set({ from })"
        />
        to
        <NumberBox
          class="number wide"
          :value="Number(backing.to.toFixed(3))"
          :min="0"
          :label="`Where ${track.name} ends in its file, in seconds`"
          :set="(to) => set({ to })"
        />
        s
        <NCheckbox :checked="backing.loops" @update:checked="(loops: boolean) => set({ loops })"> loop </NCheckbox>
        <span class="gain">
          gain
          <LevelNumber
            :label="`Gain of ${track.name}`"
            :level="track.trim"
            :set="(level) => desk.edit([{ kind: 'set-trim', track: track.id, level }])"
          />
        </span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.guide {
  margin-bottom: 10px;
  padding: 8px 14px 10px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--raised);
}

header,
p {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 4px 0;
}

.about {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.follows {
  width: 108px;
}

.number {
  width: 56px;
}

.wide {
  width: 84px;
}

.gain {
  margin-left: auto;
  white-space: nowrap;
}
</style>
