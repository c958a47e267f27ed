<script setup lang="ts">
import { NDropdown, NSelect } from 'naive-ui'
import { computed, h, ref } from 'vue'
import type { Hear, Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { widthWord } from '@/desk/feeds'
import ChoiceList from '@/parts/ChoiceList.vue'
import EditableText from '@/parts/EditableText.vue'
import LevelCell from '@/parts/LevelCell.vue'
import LevelLine from '@/parts/LevelLine.vue'
import PanSlider from '@/parts/PanSlider.vue'
import PerformerMark from '@/parts/PerformerMark.vue'
import WordSwitch from '@/parts/WordSwitch.vue'
import ClipCount from './ClipCount.vue'
import TrackMark from './TrackMark.vue'
import { useFeeds } from './useFeeds'
import { useTrackMenu } from './useTrackMenu'

/** A track, read from left to right: armed, heard when, what it is, what feeds it, how it sounds to whom. */
const { track, picked } = defineProps<{ track: Track; picked: boolean }>()
const emit = defineEmits<{ pick: [event: MouseEvent] }>()

const desk = useDesk()
const { askWhatCanFeed, feedOptions, feedsOf, chosenFeed } = useFeeds()
const standing = computed(() => desk.standingOf(track.id))
const choosing = ref(false)
const fedByInputs = computed(() => track.role === 'input' || track.role === 'instrument')

const HEAR: { label: string; value: Hear; what: string }[] = [
  { label: 'off', value: 'off', what: 'the live input is never heard' },
  { label: 'armed', value: 'armed', what: 'heard while the track is armed' },
  { label: 'overdub', value: 'overdub', what: 'heard while armed, not while an old take plays' },
  { label: 'always', value: 'always', what: 'heard in any case' },
]

const hearLabel = (option: { label?: unknown; what?: unknown }) =>
  h('span', [String(option.label), h('span', { class: 'soft' }, `  ${option.what}`)])

const hearers = computed(() =>
  desk.performers.map((performer) => ({ performer, hears: standing.value.hearers.includes(performer.id) })),
)

const groups = computed(() =>
  desk
    .session!.groups.filter((group) => group.tracks.includes(track.id))
    .map((group) => group.name)
    .join(', '),
)

const { menu, act } = useTrackMenu(() => track)

async function choose() {
  if (await askWhatCanFeed(track)) choosing.value = true
}

async function feed(value: number) {
  choosing.value = false
  await desk.edit([{ kind: 'feed-track', track: track.id, feeds: feedsOf(value) }])
}
</script>

<template>
  <tr :class="{ armed: track.armed, picked }" :aria-selected="picked">
    <td class="pick">
      <button
        class="plain"
        :aria-label="`Select ${track.name}`"
        :aria-pressed="picked"
        title="Select this track; with Shift a range, with Ctrl one more"
        @click="emit('pick', $event)"
      >
        <span class="grip"></span>
      </button>
    </td>
    <td>
      <WordSwitch
        v-if="fedByInputs"
        class="arm"
        column="arm"
        :on="track.armed"
        :label="`Arm ${track.name}`"
        :set="(armed, gesture) => desk.edit([{ kind: 'arm-track', track: track.id, armed }], gesture)"
      >
        <span class="dot"></span><span class="armed-word">{{ track.armed ? 'armed' : 'arm' }}</span>
      </WordSwitch>
      <span
        v-else-if="track.role === 'split'"
        class="soft small"
        title="Some channels of a wide track: heard when that is armed, not recorded"
        >heard only</span
      >
    </td>
    <td>
      <span v-if="track.role === 'backing'" class="soft small">always</span>
      <NSelect
        v-else
        size="tiny"
        :value="track.hear"
        :options="HEAR"
        :render-label="hearLabel"
        :render-tag="({ option }) => String(option.label)"
        :consistent-menu-width="false"
        :input-props="{ 'aria-label': `When ${track.name} is heard` }"
        :aria-label="`When ${track.name} is heard`"
        @update:value="(hear: Hear) => desk.edit([{ kind: 'set-hear', track: track.id, hear }])"
      />
    </td>
    <td class="name">
      <span class="line">
        <TrackMark :look="track.look" />
        <EditableText
          :text="track.name"
          :label="`Name of ${track.name}`"
          :set="(name) => desk.edit([{ kind: 'rename-track', track: track.id, name }])"
        />
        <span v-if="groups" class="soft wide group" :title="`Grouped: ${groups}`">{{ groups }}</span>
        <span v-if="track.width > 1" class="soft wide"> {{ widthWord(track.width) }}</span>
        <span v-if="track.polarityFlipped" class="lit wide"> polarity flipped</span>
        <span v-if="standing.quiet" class="flare wide"> {{ standing.quiet }}</span>
      </span>
    </td>
    <td class="feed">
      <span v-if="!fedByInputs" class="soft">{{ standing.fedBy }}</span>
      <ChoiceList
        v-else-if="choosing"
        :value="chosenFeed(track)"
        :options="feedOptions"
        :label="`What feeds ${track.name}`"
        @choose="feed"
        @close="choosing = false"
      />
      <button v-else class="plain" title="Choose what feeds this track" @click="choose">
        <span :class="{ flare: !standing.fedBy }">{{ standing.fedBy || 'nothing yet' }}</span>
      </button>
    </td>
    <td>
      <span class="in">
        <LevelLine :light="`track/${track.id}`" :label="`Level into ${track.name}`" />
        <ClipCount :track="track" />
      </span>
    </td>
    <td>
      <PanSlider
        :pan="track.pan"
        :label="`Pan of ${track.name}`"
        :set="(pan, gesture) => desk.edit([{ kind: 'set-pan', track: track.id, pan }], gesture)"
      />
    </td>
    <td>
      <LevelCell
        :label="`${track.name} on the speakers`"
        :light="`main/${track.id}`"
        :silent="standing.offSpeakers !== ''"
        :title="standing.offSpeakers"
        zero-on-double-click
        :level="track.fader"
        :set="(level, gesture) => desk.edit([{ kind: 'set-fader', track: track.id, level }], gesture)"
      />
    </td>
    <td class="switches">
      <WordSwitch
        column="mute"
        :on="track.muted"
        :label="`Mute ${track.name}`"
        :set="(muted, gesture) => desk.edit([{ kind: 'mute-track', track: track.id, muted }], gesture)"
        >mute</WordSwitch
      >
      <WordSwitch
        column="solo"
        :on="track.soloed"
        :label="`Solo ${track.name}`"
        :set="(soloed, gesture) => desk.edit([{ kind: 'solo-track', track: track.id, soloed }], gesture)"
        >solo</WordSwitch
      >
    </td>
    <td class="marks">
      <PerformerMark
        v-for="each in hearers"
        :key="each.performer.id"
        :performer="each.performer"
        :of="desk.performers"
        :quiet="!each.hears"
      />
    </td>
    <td>
      <NDropdown trigger="click" :options="menu" @select="act">
        <button class="word" :aria-label="`More for ${track.name}`">…</button>
      </NDropdown>
    </td>
  </tr>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  min-width: 0;
}

.line > :not(.wide) {
  min-width: 0;
}

.wide {
  flex: none;
  margin-left: 6px;
}

.group {
  max-width: 64px;
  overflow: hidden;
  border-bottom: 2px solid var(--rule-strong);
  font-size: 11.5px;
  text-overflow: ellipsis;
}

td {
  padding: 0 6px;
}

.pick {
  padding: 0 0 0 8px;
}

.grip {
  display: inline-block;
  width: 8px;
  height: 14px;
  vertical-align: -2px;
  border-left: 2px dotted var(--soft);
}

.picked td {
  background: var(--glow-weak);
}

.arm {
  border-color: transparent;
  padding-left: 2px;
}

.arm[aria-pressed='true'] {
  background: none;
  border-color: transparent;
  color: var(--flare);
  font-weight: 600;
}

.dot {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 6px;
  border: 1.5px solid currentColor;
  border-radius: 50%;
}

.arm[aria-pressed='true'] .dot {
  background: currentColor;
}

.name,
.feed {
  overflow: hidden;
  text-overflow: ellipsis;
}

.name {
  font-weight: 600;
}

.name .soft,
.name .flare,
.name .lit {
  font-weight: 400;
  font-size: 12px;
}

.lit {
  color: var(--lantern);
}

.feed {
  font-size: 12.5px;
  letter-spacing: -0.01em;
}

.in {
  position: relative;
  display: block;
}

/* It lies over the quiet end of the level line, whose length stays. */
.in > .clip {
  position: absolute;
  left: 0;
  top: 0;
}

.small {
  font-size: 12px;
}

@media (max-width: 1100px) {
  .armed-word {
    display: none;
  }
}

.switches .word {
  margin-right: 4px;
}

.marks .mark {
  width: 22px;
  height: 22px;
  margin-right: -1px;
}
</style>
