<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LitSheet from '@/parts/LitSheet.vue'
import { useWindow } from '@/parts/useWindow'
import { usePicked } from '@/parts/usePicked'
import CopyMix from './CopyMix.vue'
import FromMain from './FromMain.vue'
import SelectedSends from './SelectedSends.vue'
import SendRow from './SendRow.vue'
import { inMixOrder } from './useSends'

/** One cue's mix: a row a track, the click first, each with its own level, pan and tap. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
/** Whether anything comes back of what tracks send into the comfort reverb. */
const comforted = computed(() => cue.comfort.on || cue.comfort.echo !== null)

const sends = computed(() => new Map(cue.sends.map((send) => [send.trackId, send])))
const rows = computed(() =>
  inMixOrder(desk.tracks).map((track) => ({ id: track.id, track, send: sends.value.get(track.id) })),
)
const { sheet, drawn, above, below, first, show } = useWindow(() => rows.value)
const { picked, isPicked, pick, press, letGo } = usePicked(rows)

async function pressed(id: string, event: KeyboardEvent) {
  const next = press(id, event)
  if (!next) return
  await show(rows.value.indexOf(next))
  sheet.value?.querySelector<HTMLElement>(`[data-row="${next.id}"] .handle`)?.focus()
}
const missing = computed(() => rows.value.filter((row) => !row.send).map((row) => row.track.id))
</script>

<template>
  <div class="column">
    <div v-if="picked.length" class="offer">
      <SelectedSends :cells="picked.map((row) => ({ cue: cue.id, track: row.id }))" @let-go="letGo" />
    </div>
    <div v-else class="offer">
      <FromMain :cue="cue" />
      <CopyMix :cue="cue" />
      <NButton
        v-if="missing.length"
        size="small"
        type="primary"
        @click="desk.edit([{ kind: 'add-sends', cue: cue.id, tracks: missing }])"
      >
        {{ cue.sends.length ? 'Add the other tracks (silent)' : 'Add all tracks (silent)' }}
      </NButton>
      <span v-if="missing.length" class="soft"
        >{{ missing.length }} {{ missing.length === 1 ? 'track is' : 'tracks are' }} not in this mix.</span
      >
    </div>
    <LitSheet>
      <div ref="sheet" class="sheet">
        <table :aria-label="`Mix of ${cue.name}`" :aria-rowcount="rows.length + 1">
          <thead>
            <tr>
              <td style="width: 26px"></td>
              <th style="width: 22%">Track</th>
              <th>Level in this mix, dB</th>
              <th style="width: 74px">Pan</th>
              <td style="width: 64px"></td>
              <th style="width: 118px">Tap</th>
              <th v-if="comforted" style="width: 70px">Comfort</th>
              <td style="width: 40px"></td>
            </tr>
          </thead>
          <tbody>
            <tr v-if="above" aria-hidden="true" :style="{ height: `${above}px` }"></tr>
            <SendRow
              v-for="({ id, track, send }, index) in drawn"
              :key="id"
              :cue="cue.id"
              :cue-name="cue.name"
              :track="track"
              :send="send"
              :comfort="comforted"
              :picked="isPicked(id)"
              :aria-rowindex="first + index + 2"
              @pick="pick(id, $event)"
              @press="pressed(id, $event)"
            />
            <tr v-if="below" aria-hidden="true" :style="{ height: `${below}px` }"></tr>
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
  flex-wrap: wrap;
}
</style>
