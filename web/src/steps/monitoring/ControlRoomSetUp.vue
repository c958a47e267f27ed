<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import { computed } from 'vue'
import type { ControlRoomSheet, NearOpenMics, Pair, SpeakerSet } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import DialogCard from '@/parts/DialogCard.vue'
import LevelCell from '@/parts/LevelCell.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import LitSheet from '@/parts/LitSheet.vue'
import { shown as shownLevel } from '@/parts/scale'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import ControlRoomSources from './ControlRoomSources.vue'
import TestSignals from './TestSignals.vue'

/** How the control room is set up: its speakers, its listen and talkback mics, what else it can hear, and signals to try outputs with. */
const shown = defineModel<boolean>('shown', { required: true })
const { settings, standing, rooms, outputs, mainOutputs } = defineProps<{
  settings: ControlRoomSheet['settings']
  standing: ControlRoomSheet['standing']
  rooms: string[]
  outputs: Pair[]
  mainOutputs: Pair[]
}>()

const desk = useDesk()
const limits = useLimits()

const THEN: { label: string; value: NearOpenMics }[] = [
  { label: 'nothing happens', value: 'nothing' },
  { label: 'readiness warns', value: 'warn' },
  { label: 'dim them', value: 'dim' },
  { label: 'mute them', value: 'mute' },
]

const sets = computed(() =>
  standing.speakers.filter((each) => each.pair || each.which === 'main').map(({ which, pair }) => ({ which, pair })),
)
const roomsFor = (which: SpeakerSet) =>
  [...new Set([...rooms, settings[which].room])].map((room) => ({ label: room, value: room }))
const NONE = ''
const pairs = computed(() => [
  { label: 'nothing', value: NONE },
  ...mainOutputs.map((pair) => ({ label: pair.houseLabel, value: pair.id })),
])
const labelOf = (pair: string | null) => outputs.find((each) => each.id === pair)?.houseLabel
const mics = computed(() => [
  { label: 'none', value: NONE },
  ...desk.ports.map((port) => ({
    label: [port.houseLabel, ...port.usedBy].join(', '),
    value: port.id,
  })),
])
</script>

<template>
  <DialogCard v-model:show="shown" title="Set up the control room" :width="900">
    <LitSheet class="all">
      <table class="set-up" aria-label="Speakers">
        <thead>
          <tr>
            <th>Speakers</th>
            <th>hang on</th>
            <th>stand in the</th>
            <th>while a mic is open there</th>
            <th>come back to</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ which, pair } in sets" :key="which">
            <td>{{ which }}</td>
            <td>
              <NamedSelect
                v-if="which === 'main'"
                :value="pair ?? NONE"
                :options="pairs"
                label="Output pair of the main speakers"
                @update:value="(output: string) => desk.edit([{ kind: 'set-main-output', output: output || null }])"
              />
              <span v-else title="As the rig says">{{ labelOf(pair) }}</span>
            </td>
            <td>
              <NamedSelect
                :value="settings[which].room"
                :options="roomsFor(which)"
                filterable
                tag
                :label="`Where the ${which} speakers stand`"
                @update:value="(room: string) => desk.edit([{ kind: 'set-speaker-room', speakers: which, room }])"
              />
            </td>
            <td>
              <NamedSelect
                :value="settings[which].nearOpenMics"
                :options="THEN"
                :label="`What happens to the ${which} speakers near an open mic`"
                @update:value="
                  (then: NearOpenMics) => desk.edit([{ kind: 'set-near-open-mics', speakers: which, then }])
                "
              />
            </td>
            <td>
              <LevelNumber
                :label="`Mark of the ${which} speakers`"
                :level="settings[which].mark"
                :set="(level) => desk.edit([{ kind: 'set-speaker-mark', speakers: which, level }])"
              />
            </td>
            <td>
              <button
                class="word"
                :disabled="settings[which].mark === settings[which].level"
                @click="desk.edit([{ kind: 'set-speaker-mark', speakers: which, level: settings[which].level }])"
              >
                mark the level now, {{ shownLevel(settings[which].level) }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="line">
        <span>Dim lowers them by</span>
        <NumberBox
          class="dim"
          label="By how many dB dim lowers the speakers"
          :value="settings.dimDb"
          :range="limits?.dimDb"
          :set="(db) => desk.edit([{ kind: 'set-dim', db }])"
        />
        <span>dB. The listen mic is at</span>
        <NamedSelect
          class="mic"
          filterable
          :value="settings.listenMic?.port ?? NONE"
          :options="mics"
          label="Port of the listen mic"
          @update:value="(port: string) => desk.edit([{ kind: 'set-listen-mic', port: port || null }])"
        />
        <LevelCell
          v-if="settings.listenMic"
          class="level"
          label="Listen mic"
          light="listen"
          :level="settings.listenMic.level"
          :set="(level, gesture) => desk.edit([{ kind: 'set-listen-level', level }], gesture)"
        />
      </div>
      <NCheckbox
        v-if="settings.listenMic"
        :checked="settings.listenMic.byItself"
        @update:checked="(byItself: boolean) => desk.edit([{ kind: 'set-listen-by-itself', byItself }])"
        >It opens by itself while the song stands, so that performers can answer.</NCheckbox
      >
      <div class="line">
        <span>The talkback mic is at</span>
        <NamedSelect
          class="mic"
          filterable
          :value="settings.talkback?.port ?? NONE"
          :options="mics"
          label="Port of the talkback mic"
          @update:value="(port: string) => desk.edit([{ kind: 'set-talkback-mic', port: port || null }])"
        />
        <LevelCell
          v-if="settings.talkback"
          class="level"
          label="Talkback mic"
          light="talkback"
          :level="settings.talkback.level"
          :set="(level, gesture) => desk.edit([{ kind: 'set-talkback-level', level }], gesture)"
        />
      </div>
      <div v-if="settings.talkback" class="line">
        <span>While you talk, performers' music goes down by</span>
        <NumberBox
          class="dim"
          label="By how many dB talking lowers the music"
          :value="settings.talkback.dimDb"
          :range="limits?.talkbackDimDb"
          :set="(db) => desk.edit([{ kind: 'set-talkback-dim', db }])"
        />
        <span>dB.</span>
        <span v-if="standing.talkback?.unheard" class="flare">{{ standing.talkback.unheard }}</span>
      </div>
      <ControlRoomSources :settings="settings" :standing="standing" />
      <TestSignals v-if="desk.live" :signal="standing.state.signal" :outputs="outputs" />
    </LitSheet>
  </DialogCard>
</template>

<style scoped>
.all {
  display: grid;
  gap: 12px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.dim {
  width: 90px;
}

.mic {
  width: 210px;
}

.level {
  flex: 1;
}
</style>
