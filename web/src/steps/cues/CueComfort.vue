<script setup lang="ts">
import { NSwitch } from 'naive-ui'
import { computed } from 'vue'
import type { Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import LevelNumber from '@/parts/LevelNumber.vue'

/** A cue's comfort reverb: in which room, and how loud it comes back. What goes into it is set in the rows of the mix. */
const { cue } = defineProps<{ cue: Cue }>()

const ROOMS: { label: string; value: Cue['comfort']['room'] }[] = [
  { label: 'small room', value: 'small' },
  { label: 'medium room', value: 'medium' },
  { label: 'large room', value: 'large' },
]

const desk = useDesk()

const set = (changed: Partial<Cue['comfort']>) =>
  desk.edit([{ kind: 'set-cue-comfort', cue: cue.id, on: null, room: null, level: null, ...changed }])

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
    <template v-if="cue.comfort.on">
      <ChoiceWord
        class="room"
        :value="cue.comfort.room"
        :options="ROOMS"
        label="Room of the comfort reverb"
        @choose="(room) => set({ room })"
      />
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

.room {
  margin-top: 4px;
}

.what {
  display: block;
  font-size: 12px;
}
</style>
