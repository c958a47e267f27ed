<script setup lang="ts">
import { NPopover } from 'naive-ui'
import { computed, watch } from 'vue'
import { useDesk } from '@/desk/desk'
import { talkTo } from '@/desk/talk'
import TalkButton from '@/parts/TalkButton.vue'

/** Talk, always in the same place, and to whom. */
const desk = useDesk()

const unheard = computed(() => desk.live?.controlRoom.talkback?.unheard)
const words = computed(() => (talkTo.value.length ? `to ${talkTo.value.length}` : 'to all'))

function choose(cue: string) {
  talkTo.value = talkTo.value.includes(cue) ? talkTo.value.filter((each) => each !== cue) : [...talkTo.value, cue]
}

/** A cue that is gone is talked to no more; nobody left is nobody chosen. */
watch(
  () => desk.cues,
  (cues) => (talkTo.value = talkTo.value.filter((each) => cues.some((cue) => cue.id === each))),
)
</script>

<template>
  <span class="talk" role="group" aria-label="Talk to performers">
    <TalkButton />
    <NPopover trigger="click" placement="bottom-end" :width="240">
      <template #trigger>
        <button class="word" :disabled="!desk.live" :aria-label="`Talk ${words}: choose who hears it`">
          <span class="words">{{ words }}</span> ▾
        </button>
      </template>
      <div class="who" role="group" aria-label="Who hears it">
        <p v-if="unheard" class="flare">{{ unheard }}</p>
        <label><input type="checkbox" :checked="!talkTo.length" @change="talkTo = []" /> everybody</label>
        <label v-for="cue in desk.cues" :key="cue.id" :class="{ soft: !cue.output }">
          <input type="checkbox" :checked="talkTo.includes(cue.id)" :disabled="!cue.output" @change="choose(cue.id)" />
          {{ cue.name }}{{ cue.output ? '' : ', which leaves nowhere' }}
        </label>
      </div>
    </NPopover>
  </span>
</template>

<style scoped>
.talk {
  display: flex;
  gap: 4px;
}

.word {
  white-space: nowrap;
}

@media (max-width: 1100px) {
  .words {
    display: none;
  }
}

.who {
  display: grid;
  gap: 6px;
  max-height: 50vh;
  overflow: auto;
}
</style>
