<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { dimOrNot, muteOrNot } from '@/desk/controlRoom'
import { useDesk } from '@/desk/desk'
import LanternLogo from '@/parts/LanternLogo.vue'
import ThemeSwitch from '@/parts/ThemeSwitch.vue'
import ReadinessSheet from '@/steps/readiness/ReadinessSheet.vue'
import EngineFormat from './EngineFormat.vue'
import SongPlace from './SongPlace.vue'
import TalkTo from './TalkTo.vue'
import { useUndoing } from './useUndoing'

const desk = useDesk()
const undoing = useUndoing()
const readinessShown = ref(false)
const route = useRoute()
watch(
  () => route.fullPath,
  () => (readinessShown.value ||= route.query.readiness === 'shown'),
  { immediate: true },
)
const open = computed(() => desk.findings.filter((each) => !each.acknowledged).length)

const speakers = computed(() => desk.live?.controlRoom.state)

const place = ref<InstanceType<typeof SongPlace>>()

defineExpose({ goToBar: () => place.value?.begin() })

const listenOptions = computed(() => [
  { label: 'Not listening', value: '' },
  { label: 'Speakers', value: 'main' },
  ...desk.cues.map((cue) => ({ label: cue.name, value: cue.id, disabled: cue.output === null })),
])
</script>

<template>
  <header class="strip">
    <RouterLink to="/" class="home" aria-label="All sessions"><LanternLogo /></RouterLink>
    <div class="names">
      <h1>{{ desk.session!.name }}</h1>
      <em>{{ desk.session!.song }}</em>
    </div>
    <span class="fill"></span>
    <NButton type="primary" :disabled="!desk.live" title="Space" @click="desk.playOrStop">
      {{ desk.live?.playing ? '■ Stop' : '▶ Play' }}
    </NButton>
    <SongPlace ref="place" />
    <EngineFormat />
    <NSelect
      class="listen"
      :class="{ hearing: desk.listeningTo }"
      :value="desk.listeningTo"
      :options="listenOptions"
      :disabled="!desk.live"
      :input-props="{ 'aria-label': 'Listen in this browser' }"
      aria-label="Listen in this browser"
      @update:value="desk.listen"
    />
    <span class="speakers" role="group" aria-label="Speakers">
      <button
        class="word"
        :aria-pressed="speakers?.dimmed ?? false"
        :disabled="!speakers"
        aria-label="dim the speakers"
        title="Dim the speakers (D)"
        @click="dimOrNot(desk)"
      >
        dim
      </button>
      <button
        class="word"
        :aria-pressed="speakers?.muted ?? false"
        :disabled="!speakers"
        aria-label="mute the speakers"
        title="Mute the speakers (M)"
        @click="muteOrNot(desk)"
      >
        mute
      </button>
    </span>
    <TalkTo />
    <button
      class="cut"
      :aria-pressed="desk.live?.headphonesCut ?? false"
      :disabled="!desk.live && desk.connected"
      :title="desk.connected ? 'H' : 'H. The connection is lost; it is tried all the same'"
      @click="desk.cutHeadphones"
    >
      {{ desk.live?.headphonesCut ? 'Headphones are cut' : 'Cut headphones' }}
    </button>
    <button
      class="readiness"
      :class="{ flare: open }"
      title="What would go wrong if recording began now"
      @click="readinessShown = true"
    >
      {{ open ? `Readiness · ${open}` : desk.judged ? 'Ready' : 'Readiness' }}
    </button>
    <ReadinessSheet v-model:shown="readinessShown" />
    <div class="undo">
      <button
        class="word"
        :disabled="!undoing.state.value.undo"
        :aria-label="undoing.undoWords.value"
        :title="undoing.undoWords.value"
        @click="undoing.undo"
      >
        ↶
      </button>
      <button
        class="word"
        :disabled="!undoing.state.value.redo"
        :aria-label="undoing.redoWords.value"
        :title="undoing.redoWords.value"
        @click="undoing.redo"
      >
        ↷
      </button>
    </div>
    <ThemeSwitch />
  </header>
</template>

<style scoped>
.strip {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 9px;
  padding: 0 16px;
  border-bottom: 1px solid var(--rule-strong);
}

.home {
  color: var(--ink);
  line-height: 0;
}

.names {
  flex-shrink: 1;
  min-width: 60px;
}

.names h1,
.names em {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.names h1 {
  font-size: 19px;
}

.names em {
  display: block;
  color: var(--soft);
  font-family: var(--title);
}

.fill {
  flex: 1;
}

/* It gives way before the session's name does. */
.listen {
  flex: 0 8 160px;
  min-width: 136px;
}

.speakers {
  display: flex;
  gap: 4px;
}

.hearing {
  border-radius: 6px;
  box-shadow: 0 0 0 3px var(--glow-weak);
}

.cut {
  width: 158px;
  height: 34px;
  border: 1px solid var(--flare);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--flare);
  font-weight: 600;
  cursor: pointer;
}

.cut[aria-pressed='true'] {
  background: var(--flare);
  color: var(--sheet);
}

.cut:disabled,
.word:disabled {
  opacity: 0.6;
  cursor: default;
}

.readiness {
  height: 34px;
  padding: 0 10px;
  border: 1px solid var(--rule-strong);
  border-radius: var(--round);
  background: var(--sheet);
  font-weight: 600;
  white-space: nowrap;
  cursor: pointer;
}

.undo {
  display: flex;
  gap: 4px;
}

.undo .word {
  font-size: 16px;
}

@media (max-width: 820px) {
  .strip {
    flex-wrap: wrap;
    padding: 8px 12px !important;
  }
}

@media (max-width: 1100px) {
  .strip {
    gap: 4px;
    padding: 0 8px;
  }

  .names {
    max-width: 100px;
  }

  .listen {
    flex-basis: 88px;
    min-width: 88px;
  }

  .readiness {
    padding: 0 7px;
  }

  .speakers {
    gap: 2px;
  }

  .cut {
    width: auto;
    padding: 0 8px;
    white-space: nowrap;
  }
}
</style>
