<script setup lang="ts">
import { NSwitch } from 'naive-ui'
import { computed } from 'vue'
import type { Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import { NOTES, noteWord, type Note } from '@/parts/notes'
import NumberBox from '@/parts/NumberBox.vue'

/** A cue's comfort reverb and echo: which, and how loud they come back. What goes into them is set in the rows of the mix. */
const { cue } = defineProps<{ cue: Cue }>()

const ROOMS: { label: string; value: Cue['comfort']['room'] }[] = [
  { label: 'small room', value: 'small' },
  { label: 'medium room', value: 'medium' },
  { label: 'large room', value: 'large' },
]

const desk = useDesk()
const limits = useLimits()

const set = (changed: Partial<Cue['comfort']>) =>
  desk.edit([{ kind: 'set-cue-comfort', cue: cue.id, on: null, room: null, level: null, ...changed }])

type Echo = NonNullable<Cue['comfort']['echo']>
const AFTER: { label: string; value: Echo['after'] }[] = (Object.keys(NOTES) as Note[]).map((value) => ({
  label: `after a ${noteWord(value)}`,
  value,
}))
/** As an echo begins: half a beat later, plainly quieter each time. */
const USUAL: Echo = { after: 'dotted-quaver', fallDb: 10, level: -10 }
const setEcho = (echo: Echo | null) => desk.edit([{ kind: 'set-cue-echo', cue: cue.id, echo }])
const sounds = computed(() => cue.comfort.on || cue.comfort.echo !== null)

const sent = computed(() =>
  cue.sends
    .filter((send) => send.comfort !== 'off')
    .map((send) => desk.tracks.find((track) => track.id === send.trackId)?.name ?? send.trackId),
)
</script>

<template>
  <div>
    <div class="row">
      <NSwitch
        size="small"
        :value="cue.comfort.on"
        aria-label="Comfort reverb"
        @update:value="(on: boolean) => set({ on })"
      />
      <span :class="{ soft: !cue.comfort.on }">Comfort reverb</span>
      <LevelNumber
        v-if="cue.comfort.on"
        class="level"
        label="Comfort reverb"
        :level="cue.comfort.level"
        :set="(level) => set({ level })"
      />
    </div>
    <ChoiceWord
      v-if="cue.comfort.on"
      class="room"
      :value="cue.comfort.room"
      :options="ROOMS"
      label="Room of the comfort reverb"
      @choose="(room) => set({ room })"
    />
    <div class="row echo">
      <NSwitch
        size="small"
        :value="cue.comfort.echo !== null"
        aria-label="Echo"
        @update:value="(on: boolean) => setEcho(on ? USUAL : null)"
      />
      <span :class="{ soft: !cue.comfort.echo }">Echo</span>
      <LevelNumber
        v-if="cue.comfort.echo"
        class="level"
        label="Echo"
        :level="cue.comfort.echo.level"
        :set="(level) => setEcho({ ...cue.comfort.echo!, level })"
      />
    </div>
    <div v-if="cue.comfort.echo" class="row">
      <ChoiceWord
        :value="cue.comfort.echo.after"
        :options="AFTER"
        label="After which note the echo comes"
        @choose="(after) => setEcho({ ...cue.comfort.echo!, after })"
      />
      <NumberBox
        class="level fall"
        label="By how much each repeat is quieter"
        unit="dB down"
        :value="cue.comfort.echo.fallDb"
        :range="limits?.echoFallDb"
        :set="(fallDb) => setEcho({ ...cue.comfort.echo!, fallDb })"
      />
    </div>
    <template v-if="sounds">
      <span v-if="sent.length" class="soft what">Of {{ sent.join(', ') }}. No recording has it.</span>
      <span v-else class="what">Nothing goes into it yet. Set how much in the rows at the left, under Comfort.</span>
    </template>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 8px;
}

.level {
  margin-left: auto;
}

.fall {
  flex: none;
  width: 112px;
}

.room,
.echo {
  margin-top: 4px;
}

.what {
  display: block;
  font-size: 12px;
}
</style>
