<script setup lang="ts">
import { computed } from 'vue'
import type { Send, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { TAPS } from '@/desk/taps'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import LevelCell from '@/parts/LevelCell.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import PanSlider from '@/parts/PanSlider.vue'
import RowHandle from '@/parts/RowHandle.vue'
import WordSwitch from '@/parts/WordSwitch.vue'

/** A track in a cue's mix: its own level, pan and tap there, or the way to put it in. */
const { cue, cueName, track, send, comfort, picked } = defineProps<{
  cue: string
  cueName: string
  track: Track
  send: Send | undefined
  /** Whether the cue's comfort reverb is on. */
  comfort: boolean
  picked: boolean
}>()
const emit = defineEmits<{ pick: [event: MouseEvent]; press: [event: KeyboardEvent] }>()

const desk = useDesk()

const standing = computed(() => desk.standingOf(track.id))
const followsTheSpeakers = (of: Send) => of.tap === 'post-fader' || of.panAsMain || standing.value.behindFaders
const ids = computed(() => ({ cue, track: track.id }))
</script>

<template>
  <tr :class="{ mine: standing.own.includes(cue), picked }" :aria-selected="picked" :data-row="track.id">
    <td class="edge">
      <RowHandle
        :name="track.name"
        :picked="picked"
        stays
        @pick="emit('pick', $event)"
        @press="emit('press', $event)"
      />
    </td>
    <td class="name">
      {{ track.name }}
      <span v-if="track.role === 'click' && track.fader === 'off'" class="soft">not on the speakers</span>
      <span v-if="standing.behindFaders" class="soft" :title="standing.fedBy">{{ track.role }}</span>
      <span v-if="standing.quiet" class="flare">{{ standing.quiet }}</span>
      <span
        v-else-if="send && send.level !== 'off' && standing.unheard"
        class="flare"
        :title="`${track.name} is not heard: ${standing.unheard}`"
        >{{ standing.unheard }}</span
      >
    </td>
    <template v-if="send">
      <td>
        <LevelCell
          :label="`${track.name} in ${cueName}`"
          :light="`send/${cue}/${track.id}`"
          :silent="send.muted"
          :level="send.level"
          :set="(level, gesture) => desk.edit([{ kind: 'set-send-level', ...ids, level }], gesture)"
        />
      </td>
      <td>
        <button
          v-if="send.panAsMain"
          class="word"
          :title="`${track.name} is panned as on the speakers; press for a pan of its own`"
          @click="desk.edit([{ kind: 'set-send-pan-as-main', ...ids, asMain: false }])"
        >
          as main
        </button>
        <PanSlider
          v-else
          :pan="send.pan"
          :label="`Pan of ${track.name} in ${cueName}`"
          :set="(pan, gesture) => desk.edit([{ kind: 'set-send-pan', ...ids, pan }], gesture)"
        />
      </td>
      <td>
        <WordSwitch
          :column="`mute-${cue}`"
          :on="send.muted"
          :label="`Mute ${track.name} in ${cueName}`"
          :set="(muted, gesture) => desk.edit([{ kind: 'mute-send', ...ids, muted }], gesture)"
          >mute</WordSwitch
        >
      </td>
      <td>
        <ChoiceWord
          class="tap"
          :value="send.tap"
          :options="TAPS"
          :label="`Tap of ${track.name} in ${cueName}`"
          @choose="(tap) => desk.edit([{ kind: 'set-send-tap', ...ids, tap }])"
        />
        <span v-if="followsTheSpeakers(send)" class="follows">follows the speakers</span>
      </td>
      <td v-if="comfort">
        <LevelNumber
          :label="`${track.name} into the comfort reverb`"
          :level="send.comfort"
          :set="(level) => desk.edit([{ kind: 'set-send-comfort', ...ids, level }])"
        />
      </td>
      <td>
        <button
          class="word"
          :aria-label="`Remove ${track.name} from ${cueName}`"
          title="Remove from this mix"
          @click="desk.edit([{ kind: 'remove-send', ...ids }])"
        >
          ×
        </button>
      </td>
    </template>
    <template v-else>
      <td :colspan="comfort ? 5 : 4" class="soft">not in this mix</td>
      <td>
        <button
          class="word"
          :aria-label="`Add ${track.name} to ${cueName}`"
          title="Add to this mix, off"
          @click="desk.edit([{ kind: 'add-sends', cue: cue, tracks: [track.id] }])"
        >
          +
        </button>
      </td>
    </template>
  </tr>
</template>

<style scoped>
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}

.name .soft {
  font-size: 12px;
  margin-left: 6px;
}

.picked td {
  background: var(--glow-weak);
}

.edge {
  padding-inline: 6px 0;
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
