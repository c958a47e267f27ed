<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { widthWord } from '@/desk/feeds'
import { namesOfOuts, namesOfReturns, nameOfWay } from '@/desk/ways'
import ChoiceList from '@/parts/ChoiceList.vue'
import EditableText from '@/parts/EditableText.vue'
import LevelIn from '@/parts/LevelIn.vue'
import PanSlider from '@/parts/PanSlider.vue'
import RowHandle from '@/parts/RowHandle.vue'
import WordSwitch from '@/parts/WordSwitch.vue'
import SpeakerCells from './SpeakerCells.vue'
import TrackHear from './TrackHear.vue'
import TrackHearers from './TrackHearers.vue'
import TrackMark from './TrackMark.vue'
import { useFeeds } from './useFeeds'

/** A track, read from left to right: armed, heard when, what it is, what feeds it, how it sounds to whom. */
const {
  track,
  picked,
  place = '',
} = defineProps<{
  track: Track
  picked: boolean
  /** Whether a dragged row would come in front of it, or whether it is the one that is dragged. */
  place?: 'target' | 'dragged' | ''
}>()
const emit = defineEmits<{
  pick: [event: MouseEvent]
  press: [event: KeyboardEvent]
  drag: [event: PointerEvent]
  more: [event: MouseEvent]
}>()

const desk = useDesk()
const { askWhatCanFeed, feedOptions, feedsOf, chosenFeed } = useFeeds()
const standing = computed(() => desk.standingOf(track.id))
const choosing = ref(false)
const recorded = computed(() => standing.value.may.includes('record'))

const groups = computed(() =>
  desk
    .session!.groups.filter((group) => group.tracks.includes(track.id))
    .map((group) => group.name)
    .join(', '),
)

const way = computed(() => nameOfWay(desk.session!, standing.value.way))
const sends = computed(() => {
  const into = namesOfReturns(desk.session!, standing.value.way)
  const out = namesOfOuts(desk.offers, standing.value.way)
  return [into.length && `into ${into.join(', ')}`, out.length && `out by ${out.join(', ')}`].filter(Boolean).join(' ')
})
const ways = computed(() => way.value || sends.value)
const waysTold = computed(() =>
  [
    way.value && `${track.name} → ${way.value} on its way to the speakers; the menu at the end of the row changes it.`,
    sends.value && `It is sent ${sends.value}; its chains, opened, show how loud.`,
  ]
    .filter(Boolean)
    .join(' '),
)

async function choose() {
  if (await askWhatCanFeed(track)) choosing.value = true
}

async function feed(value: number) {
  choosing.value = false
  await desk.edit([{ kind: 'feed-track', track: track.id, feeds: feedsOf(value) }])
}
</script>

<template>
  <tr
    :class="[place, { armed: track.armed, picked, inside: track.look.folder }]"
    :aria-selected="picked"
    :data-row="track.id"
  >
    <td class="pick">
      <RowHandle
        :name="track.name"
        :picked="picked"
        @pick="emit('pick', $event)"
        @press="emit('press', $event)"
        @drag="emit('drag', $event)"
      />
    </td>
    <td>
      <WordSwitch
        v-if="recorded"
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
      <span v-else-if="track.role === 'sum'" class="soft small" title="Tracks come together in it before the speakers"
        >sum</span
      >
      <span v-else-if="track.role === 'return'" class="soft small" title="What tracks send into it comes back from it"
        >return</span
      >
    </td>
    <td>
      <TrackHear v-if="standing.may.includes('hear')" :track="track" />
      <span v-else-if="!standing.behindFaders" class="soft small">always</span>
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
        <span v-if="ways" class="soft wide ways" :title="waysTold"
          ><span v-if="way" :class="{ lit: standing.way.to === 'nowhere' }">→ {{ way }}</span> {{ sends }}</span
        >
        <span v-if="standing.quiet" class="flare wide"> {{ standing.quiet }}</span>
      </span>
    </td>
    <td class="feed">
      <span v-if="!recorded" class="soft" :title="standing.fedBy">{{ standing.fedBy }}</span>
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
      <LevelIn :light="`track/${track.id}`" :name="track.name" :inputs="standing.inputs" />
    </td>
    <td>
      <PanSlider
        :pan="track.pan"
        :label="`Pan of ${track.name}`"
        :set="(pan, gesture) => desk.edit([{ kind: 'set-pan', track: track.id, pan }], gesture)"
      />
    </td>
    <SpeakerCells
      :track="track"
      :level="standing.way.to === 'sum' ? `${track.name} into its sum` : `${track.name} on the speakers`"
      :name="track.name"
    />
    <td><TrackHearers :track="track" /></td>
    <td>
      <button class="word" aria-haspopup="menu" :aria-label="`More for ${track.name}`" @click="emit('more', $event)">
        …
      </button>
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

/* What does not fit is left out here before anything of the name: not even the fraction of a pixel that would cut its end off. */
.ways {
  flex: 0 1000000 auto;
  min-width: 16px;
  overflow: hidden;
  text-overflow: ellipsis;
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

.inside .line {
  padding-left: 12px;
}

.dragged td {
  opacity: 0.5;
}

.target td {
  box-shadow: inset 0 2px 0 var(--sea);
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

.feed > * {
  display: block;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}

.small {
  font-size: 12px;
}

@media (max-width: 1100px) {
  .armed-word {
    display: none;
  }
}
</style>
