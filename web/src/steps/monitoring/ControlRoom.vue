<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { switchControlRoom, useControlRoom } from '@/desk/controlRoom'
import { useDesk } from '@/desk/desk'
import LevelCell from '@/parts/LevelCell.vue'
import LitSheet from '@/parts/LitSheet.vue'
import { shown } from '@/parts/scale'
import NamedSelect from '@/parts/NamedSelect.vue'
import ControlRoomSetUp from './ControlRoomSetUp.vue'

/** What the control room hears, by which speakers, how loud and how changed; and why it is otherwise than was chosen. */
const desk = useDesk()
const { settings, standing, rooms, outputs, mainOutputs } = useControlRoom()
const settingUp = ref(false)

const state = computed(() => standing.value?.state)
const on = computed(() => standing.value?.speakers.find((each) => each.on))
const speakers = computed(() => (on.value?.pair ? settings.value?.[on.value.which] : undefined))

const heard = computed(() => [
  { label: 'the main mix', value: 'main' },
  ...desk.cues.map((cue) => ({
    label: `cue ${cue.name}`,
    value: `cue/${cue.id}`,
    disabled: cue.output === null,
  })),
  ...(settings.value?.sources ?? []).map((source) => ({ label: source.name, value: `source/${source.id}` })),
])

/** Why it is otherwise than somebody might think. */
const why = computed(() => [standing.value?.silent, on.value?.down, standing.value?.listenMic?.heldOff].filter(Boolean))

const set = (wanted: Parameters<typeof switchControlRoom>[1]) => switchControlRoom(desk, wanted)
const flip = (side: 'left' | 'right') => set({ flipped: state.value?.flipped === side ? 'none' : side })
const toMark = () => desk.edit([{ kind: 'set-speaker-level', speakers: on.value!.which, level: speakers.value!.mark }])
</script>

<template>
  <section v-if="standing && settings && state" class="room" aria-label="Control room">
    <div class="line">
      <h2>Control room</h2>
      <span class="soft">hears</span>
      <NamedSelect
        class="heard"
        :value="standing.hears"
        :options="heard"
        :disabled="!desk.live"
        label="What the control room hears"
        @update:value="(hears: string) => set({ hears })"
      />
      <span class="soft">on the</span>
      <span class="joined" role="group" aria-label="Speakers that play">
        <button
          v-for="each in standing.speakers"
          :key="each.which"
          class="word"
          :aria-pressed="each.on"
          :disabled="!desk.live || !each.pair"
          :title="each.pair ? '' : 'Say under Rig which output pair feeds them'"
          @click="set({ speakers: each.which })"
        >
          {{ each.which }} speakers
        </button>
      </span>
      <template v-if="on && speakers">
        <span class="soft">at</span>
        <LitSheet class="level">
          <LevelCell
            :label="`${on.which} speakers`"
            :light="`pair/${on.pair}`"
            :level="speakers.level"
            :highest="0"
            :silent="on.gain === 'off'"
            :set="(level, gesture) => desk.edit([{ kind: 'set-speaker-level', speakers: on!.which, level }], gesture)"
          />
        </LitSheet>
        <button
          class="word"
          :disabled="speakers.level === speakers.mark"
          title="Back to the level that was marked"
          @click="toMark"
        >
          to mark {{ shown(speakers.mark) }}
        </button>
      </template>
    </div>
    <div class="line">
      <button
        class="word"
        :aria-pressed="state.dimmed"
        :disabled="!desk.live"
        title="D"
        @click="set({ dimmed: !state.dimmed })"
      >
        dim {{ settings.dimDb }} dB
      </button>
      <button
        class="word"
        :aria-pressed="state.muted"
        :disabled="!desk.live"
        title="M"
        @click="set({ muted: !state.muted })"
      >
        mute
      </button>
      <button class="word" :aria-pressed="state.mono" :disabled="!desk.live" @click="set({ mono: !state.mono })">
        mono
      </button>
      <button
        class="word"
        :aria-pressed="state.swapped"
        :disabled="!desk.live"
        title="Left is played by the right speaker"
        @click="set({ swapped: !state.swapped })"
      >
        swap sides
      </button>
      <button
        v-for="side in ['left', 'right'] as const"
        :key="side"
        class="word"
        :aria-pressed="state.flipped === side"
        :disabled="!desk.live"
        :title="`Turns the polarity of the ${side} side over`"
        @click="flip(side)"
      >
        flip {{ side }}
      </button>
      <button
        v-if="standing.listenMic"
        class="word"
        :aria-pressed="state.listening"
        :disabled="!desk.live"
        title="Hear what is said in the room, behind a guard"
        @click="set({ listening: !state.listening })"
      >
        listen mic
      </button>
      <strong v-if="state.signal" class="flare">A test signal plays.</strong>
      <span role="status" class="why">
        <span v-for="each in why" :key="each" class="flare">{{ each }}</span>
        <span v-if="!desk.live" class="soft">Take the rig to hear it.</span>
      </span>
      <NButton size="small" class="end" @click="settingUp = true">Set up</NButton>
    </div>
    <ControlRoomSetUp
      v-model:shown="settingUp"
      :settings="settings"
      :standing="standing"
      :rooms="rooms"
      :outputs="outputs"
      :main-outputs="mainOutputs"
    />
  </section>
</template>

<style scoped>
.room {
  display: grid;
  gap: 6px;
  padding: 8px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--sheet);
}

.line {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px 8px;
}

h2 {
  font-size: 16px;
}

.heard {
  width: 210px;
}

.level {
  flex: 1;
  min-width: 180px;
}

.why {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
}

.end {
  margin-left: auto;
}
</style>
