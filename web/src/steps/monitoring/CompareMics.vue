<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { api, type Track, type TwoMicCheck } from '@/api/client'
import { useDesk } from '@/desk/desk'
import DialogCard from '@/parts/DialogCard.vue'
import SelectRow from '@/parts/SelectRow.vue'
import MicsPicture from './MicsPicture.vue'

/** Two mics that hear one source: by how much one is later, which way round, what their sum gains or loses; and the way out. */
const shown = defineModel<boolean>('shown', { required: true })
const { mics } = defineProps<{ mics: string[] }>()

const PAUSE_MS = 400

const desk = useDesk()
const first = ref('')
const second = ref('')
const check = ref<TwoMicCheck | null>(null)
const trouble = ref('')
let timer = 0

const mono = computed(() => desk.tracks.filter((track) => mics.includes(track.id)))
const found = computed(() => check.value?.found)
const options = computed(() => mono.value.map((track) => ({ label: track.name, value: track.id })))
const word = (track?: Track) => track?.name.split(' ')[0]

/** Two whose names begin alike are mostly at one instrument. */
function choose() {
  const at = mono.value.findIndex((track, index) => word(track) === word(mono.value[index + 1]))
  first.value ||= mono.value[Math.max(0, at)]?.id ?? ''
  second.value ||= mono.value[Math.max(0, at) + 1]?.id ?? ''
}

async function listen() {
  clearTimeout(timer)
  if (!shown.value || !desk.live || !first.value || !second.value) return
  const [a, b] = [first.value, second.value]
  const params = { path: { session: desk.session!.id }, query: { first: a, second: b } }
  try {
    const answer = await api.GET('/api/live/{session}/two-mics', { params })
    if (a === first.value && b === second.value) {
      check.value = answer.data ?? null
      trouble.value = ''
    }
  } catch (failed) {
    check.value = null
    trouble.value = failed instanceof Error ? failed.message : String(failed)
  }
  timer = window.setTimeout(listen, PAUSE_MS)
}

watch(shown, (now) => now && choose())
watch([shown, first, second], () => {
  check.value = null
  void listen()
})
onBeforeUnmount(() => clearTimeout(timer))

const gain = (db: number) => `${db < 0 ? '−' : '+'}${Math.abs(db).toFixed(1)} dB`
</script>

<template>
  <DialogCard v-model:show="shown" title="Compare two mics" :width="600">
    <div class="mics">
      <SelectRow v-model="first" :options="options" label="First" />
      <SelectRow v-model="second" :options="options" label="Second" />
    </div>
    <p v-if="!desk.live" class="soft">Take the rig first: this listens to what comes in.</p>
    <p v-else-if="trouble" class="flare" role="alert">{{ trouble }}</p>
    <template v-else-if="found">
      <p class="sentence">
        <strong>{{ found.sentence }}</strong>
      </p>
      <dl v-if="found.believed">
        <dt>Sum now</dt>
        <dd>{{ gain(found.sumDb) }}</dd>
        <dt>In line</dt>
        <dd>{{ gain(found.inLineDb) }}</dd>
        <dt>In common</dt>
        <dd>{{ found.correlation.toFixed(2) }}</dd>
      </dl>
      <MicsPicture v-if="found.byLag.length" :by-lag="found.byLag" :step-ms="found.stepMs" :peak-ms="found.laterMs" />
      <p v-for="doubt in found.doubts" :key="doubt" class="soft">{{ doubt }}</p>
    </template>
    <p v-else class="soft" role="status">Listening for two and a half seconds.</p>
    <div class="way">
      <NButton
        v-for="step in check?.steps"
        :key="step.words"
        size="small"
        :type="step.advised ? 'primary' : 'default'"
        @click="desk.edit(step.edits, null, true)"
      >
        {{ step.words }}
      </NButton>
    </div>
    <p class="soft">A shift is heard only; the recording stays as it is.</p>
  </DialogCard>
</template>

<style scoped>
.mics {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.sentence {
  min-height: 38px;
}

dl {
  display: grid;
  grid-template-columns: auto auto auto auto auto auto 1fr;
  gap: 4px 10px;
  margin: 8px 0;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0 12px 0 0;
  font-weight: 600;
}

.way {
  display: flex;
  align-items: center;
  gap: 10px;
  flex-wrap: wrap;
  min-height: 34px;
}

p {
  margin: 10px 0 0;
}
</style>
