<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Lost } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useFetched } from '@/desk/fetched'
import BufferAdvice from '@/steps/monitoring/BufferAdvice.vue'

/** The sample rate and the buffer the engine runs at, and what another rate would cost before it is chosen. */
const desk = useDesk()

const shown = ref(false)
const rate = ref(0)
const lost = ref<Lost[] | null>(null)

const kilohertz = (hertz: number) => `${hertz / 1000} kHz`
const roundTrip = computed(() => {
  const ms = desk.live?.roundTripMs
  if (!desk.connected) return 'no connection'
  return ms === undefined ? 'not at the rig' : `${ms.toFixed(ms < 10 ? 2 : 1)} ms`
})
const buffers = useFetched(
  () => [shown.value],
  async (at) => ({
    data: shown.value ? (await api.GET('/api/sessions/{session}/timing', at)).data?.buffers : undefined,
  }),
)
const other = computed(() => rate.value !== desk.session!.sampleRate)

watch(shown, () => (rate.value = desk.session!.sampleRate))
watch(rate, async (sampleRate) => {
  lost.value = null
  if (!other.value) return
  const params = { path: { session: desk.session!.id }, query: { sampleRate } }
  const answer = await api.GET('/api/sessions/{session}/at-rate', { params }).catch(() => null)
  if (rate.value === sampleRate) lost.value = answer?.data ?? null
})

async function choose() {
  if (await desk.edit([{ kind: 'set-sample-rate', sampleRate: rate.value }])) shown.value = false
}
</script>

<template>
  <NPopover v-model:show="shown" trigger="click" placement="bottom" :width="340">
    <template #trigger>
      <button class="plain pair" title="Choose the sample rate and the buffer">
        <strong>{{ roundTrip }}<span v-if="desk.live" class="what"> round trip</span></strong>
        <span v-if="desk.live?.dropout" class="dropout" role="status" :title="desk.live.dropout">dropout just now</span>
        <span v-else>{{ kilohertz(desk.session!.sampleRate) }} · buffer {{ desk.session!.bufferFrames }}</span>
      </button>
    </template>
    <p v-if="desk.live?.dropout" class="dropout">{{ desk.live.dropout }}</p>
    <h3>Buffer</h3>
    <BufferAdvice v-if="buffers" :buffers="buffers" class="soft" />
    <button
      v-for="frames in desk.offers.driver.bufferFrames"
      :key="frames"
      class="word"
      :aria-pressed="frames === desk.session!.bufferFrames"
      @click="desk.edit([{ kind: 'set-buffer', bufferFrames: frames }])"
    >
      {{ frames }}
    </button>
    <h3>Sample rate</h3>
    <button
      v-for="each in desk.offers.driver.sampleRates"
      :key="each"
      class="word"
      :aria-pressed="each === rate"
      @click="rate = each"
    >
      {{ kilohertz(each) }}
    </button>
    <template v-if="other && lost">
      <p v-if="lost.length === 0">No input loses its port.</p>
      <template v-else>
        <p>
          {{ lost.length === 1 ? 'One input loses its port' : `${lost.length} inputs lose their ports` }}: digital links
          carry fewer channels at higher rates.
        </p>
        <ul>
          <li v-for="each in lost" :key="each.input">
            <strong>{{ each.source }}</strong> at {{ each.port }} ({{ each.link }})<template
              v-if="each.silentTracks.length"
              >; {{ each.silentTracks.join(', ') }} falls silent</template
            >
          </li>
        </ul>
      </template>
      <NButton size="small" type="primary" @click="choose">Run at {{ kilohertz(rate) }}</NButton>
    </template>
    <p v-if="desk.live" class="soft">
      <button class="word" @click="desk.command({ kind: 'release-rig' })">Release the rig</button>
      Nothing sounds then, and other programs can have the interface.
    </p>
  </NPopover>
</template>

<style scoped>
.pair > * {
  display: block;
}

.pair {
  padding: 2px 12px;
  border-left: 1px solid var(--rule-strong);
  font-size: 13.5px;
  white-space: nowrap;
}

.pair > span {
  color: var(--soft);
  font-size: 12px;
}

.pair:hover strong {
  color: var(--sea);
}

h3 {
  margin: 4px 0;
  font-size: 15px;
}

.word {
  margin: 0 4px 6px 0;
}

p,
ul {
  margin: 4px 0 8px;
}

ul {
  padding-left: 18px;
}

.dropout,
.pair .dropout {
  color: var(--flare);
}

@media (max-width: 1100px) {
  .pair {
    padding: 2px 8px;
  }

  .what {
    display: none;
  }
}
</style>
