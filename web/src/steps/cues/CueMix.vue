<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import type { Cue, Send, Tap, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LitSheet from '@/parts/LitSheet.vue'
import LevelCell from '@/parts/LevelCell.vue'
import PanSlider from '@/parts/PanSlider.vue'
import { usePortions } from '@/parts/usePortions'
import WordSwitch from '@/parts/WordSwitch.vue'

/** One cue's mix: a row a track, the click first, each with its own level, pan and tap. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()

const TAPS: { label: string; value: Tap }[] = [
  { label: 'input', value: 'input' },
  { label: 'pre-fader', value: 'pre-fader' },
  { label: 'post-fader', value: 'post-fader' },
]

const sends = computed(() => new Map(cue.sends.map((send) => [send.trackId, send])))
const rows = computed(() =>
  [...desk.tracks]
    .sort((a, b) => Number(b.role === 'click') - Number(a.role === 'click'))
    .map((track) => ({ track, send: sends.value.get(track.id) })),
)
const portion = usePortions(() => rows.value)
const missing = computed(() => rows.value.filter((row) => !row.send).map((row) => row.track.id))

/** Whether somebody who listens plays what comes in on a track. */
const mine = (track: Track) => desk.standingOf(track.id).players.some((player) => cue.listeners.includes(player))
const followsTheSpeakers = (send: Send) => send.tap === 'post-fader' || send.panAsMain
const ids = (track: Track) => ({ cue: cue.id, track: track.id })
</script>

<template>
  <div class="column">
    <div v-if="missing.length" class="offer">
      <NButton size="small" type="primary" @click="desk.edit([{ kind: 'add-sends', cue: cue.id, tracks: missing }])">
        {{ cue.sends.length ? 'Add the other tracks, off' : 'Add all tracks, off' }}
      </NButton>
      <span class="soft"
        >{{ missing.length }} tracks are not in this mix. Added tracks are silent until you raise them.</span
      >
    </div>
    <LitSheet>
      <div class="sheet">
        <table :aria-label="`Mix of ${cue.name}`">
          <thead>
            <tr>
              <th style="width: 22%">Track</th>
              <th>Level in this mix, dB</th>
              <th style="width: 74px">Pan</th>
              <th style="width: 64px"></th>
              <th style="width: 118px">Tap</th>
              <th style="width: 40px"></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ track, send } in portion" :key="track.id" :class="{ mine: mine(track) }">
              <td class="name">
                {{ track.name }}
                <span v-if="track.role === 'click' && track.fader === 'off'" class="soft">not on the speakers</span>
                <span v-if="desk.standingOf(track.id).quiet" class="flare">{{ desk.standingOf(track.id).quiet }}</span>
              </td>
              <template v-if="send">
                <td>
                  <LevelCell
                    :label="`${track.name} in ${cue.name}`"
                    :light="`send/${cue.id}/${track.id}`"
                    :silent="send.muted"
                    :level="send.level"
                    :set="(level, gesture) => desk.edit([{ kind: 'set-send-level', ...ids(track), level }], gesture)"
                  />
                </td>
                <td>
                  <button
                    v-if="send.panAsMain"
                    class="word"
                    :title="`${track.name} is panned as on the speakers; press for a pan of its own`"
                    @click="desk.edit([{ kind: 'set-send-pan-as-main', ...ids(track), asMain: false }])"
                  >
                    as main
                  </button>
                  <PanSlider
                    v-else
                    :pan="send.pan"
                    :label="`Pan of ${track.name} in ${cue.name}`"
                    :set="(pan, gesture) => desk.edit([{ kind: 'set-send-pan', ...ids(track), pan }], gesture)"
                  />
                </td>
                <td>
                  <WordSwitch
                    :column="`mute-${cue.id}`"
                    :on="send.muted"
                    :label="`Mute ${track.name} in ${cue.name}`"
                    :set="(muted, gesture) => desk.edit([{ kind: 'mute-send', ...ids(track), muted }], gesture)"
                    >mute</WordSwitch
                  >
                </td>
                <td>
                  <NSelect
                    class="tap"
                    size="tiny"
                    :value="send.tap"
                    :options="TAPS"
                    :input-props="{ 'aria-label': `Tap of ${track.name} in ${cue.name}` }"
                    :aria-label="`Tap of ${track.name} in ${cue.name}`"
                    @update:value="(tap: Tap) => desk.edit([{ kind: 'set-send-tap', ...ids(track), tap }])"
                  />
                  <span v-if="followsTheSpeakers(send)" class="follows">follows the speakers</span>
                </td>
                <td>
                  <button
                    class="word"
                    :aria-label="`Remove ${track.name} from ${cue.name}`"
                    title="Remove from this mix"
                    @click="desk.edit([{ kind: 'remove-send', ...ids(track) }])"
                  >
                    ×
                  </button>
                </td>
              </template>
              <template v-else>
                <td colspan="4" class="soft">not in this mix</td>
                <td>
                  <button
                    class="word"
                    :aria-label="`Add ${track.name} to ${cue.name}`"
                    title="Add to this mix, off"
                    @click="desk.edit([{ kind: 'add-sends', cue: cue.id, tracks: [track.id] }])"
                  >
                    +
                  </button>
                </td>
              </template>
            </tr>
          </tbody>
        </table>
      </div>
    </LitSheet>
  </div>
</template>

<style scoped>
table {
  table-layout: fixed;
}

.column {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}

.offer {
  display: flex;
  align-items: center;
  gap: 12px;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
}

.name .soft {
  font-size: 12px;
  margin-left: 6px;
}

.mine .name {
  font-weight: 700;
}

.tap {
  width: 100px;
}

.follows {
  display: block;
  color: var(--flare);
  font-size: 12px;
}
</style>
