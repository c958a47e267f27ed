<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useUpload, type Sounding } from '@/desk/upload'
import FileChooser from '@/parts/FileChooser.vue'
import FileOnItsWay from '@/parts/FileOnItsWay.vue'
import GuideTrack from './GuideTrack.vue'

/** What is played along with the song: sounds from files, dropped here. */
const { tracks } = defineProps<{ tracks: Track[] }>()

const desk = useDesk()
const { going, send, cancel } = useUpload()
const over = ref(false)
const chooser = ref<InstanceType<typeof FileChooser>>()
/** Who shall play what is chosen. */
let wanted: Sounding = {}

const backing = (track: Track) => desk.session!.backing.find((each) => each.track === track.id)

function drop(event: DragEvent) {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) send(file)
}

function choose(track?: string) {
  wanted = track ? { track } : {}
  chooser.value?.choose()
}
</script>

<template>
  <div class="guides" :class="{ over }" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="drop">
    <FileChooser ref="chooser" label="A WAV file" accept=".wav,audio/wav" @chosen="(file) => send(file, wanted)" />
    <GuideTrack
      v-for="track in tracks"
      :key="track.id"
      :track="track"
      :backing="backing(track)"
      @replace="choose(track.id)"
    />
    <FileOnItsWay v-if="going" class="going" :going="going" @cancel="cancel" />
    <div v-else class="drop">
      <span>Drop a WAV file here, and it is played along from bar 1.</span>
      <NButton size="small" @click="choose()">Choose a WAV file</NButton>
    </div>
  </div>
</template>

<style scoped>
.guides {
  border-radius: 8px;
}

.over {
  outline: 2px dashed var(--sea);
}

.drop,
.going {
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 8px 0;
  padding: 14px 16px;
  border: 1px dashed var(--rule-strong);
  border-radius: 8px;
  color: var(--soft);
}

progress {
  flex: 1;
  accent-color: var(--lantern);
}
</style>
