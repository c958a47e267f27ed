<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LevelCell from '@/parts/LevelCell.vue'
import LitSheet from '@/parts/LitSheet.vue'

/** How loud each cue and the speakers get one of some tracks: a voice of the click, a guide. */
const { tracks, kind } = defineProps<{ tracks: Track[]; kind: string }>()

const desk = useDesk()
const chosen = ref('')

const track = computed(() => tracks.find((each) => each.id === chosen.value) ?? tracks[0])

const rows = computed(() =>
  desk.cues.map((cue) => ({ cue, send: cue.sends.find((send) => send.trackId === track.value?.id) })),
)
</script>

<template>
  <div v-if="track" class="who">
    <h2>
      Who hears
      <span class="joined" role="group" :aria-label="kind">
        <button
          v-for="each in tracks"
          :key="each.id"
          class="word"
          :aria-pressed="each.id === track.id"
          @click="chosen = each.id"
        >
          {{ each.name }}
        </button>
      </span>
    </h2>
    <LitSheet>
      <table class="set-up" :aria-label="`Who hears ${track.name}`">
        <tbody>
          <tr v-for="{ cue, send } in rows" :key="cue.id">
            <td class="name">{{ cue.name }}</td>
            <td>
              <LevelCell
                :label="`${track.name} in ${cue.name}`"
                :light="`send/${cue.id}/${track.id}`"
                :level="send?.level ?? 'off'"
                :silent="send?.muted"
                :set="
                  (level, gesture) =>
                    desk.edit([{ kind: 'set-send-level', cue: cue.id, track: track!.id, level }], gesture)
                "
              />
            </td>
          </tr>
          <tr>
            <td class="name">On the speakers</td>
            <td>
              <LevelCell
                :label="`${track.name} on the speakers`"
                :light="`main/${track.id}`"
                :level="track.fader"
                :set="(level, gesture) => desk.edit([{ kind: 'set-fader', track: track!.id, level }], gesture)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </LitSheet>
  </div>
</template>

<style scoped>
h2 {
  font-size: 16px;
}

.name {
  width: 150px;
}
</style>
