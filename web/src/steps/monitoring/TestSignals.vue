<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Level, Pair, TestSignal } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import { useRig } from '@/desk/rig'
import LevelNumber from '@/parts/LevelNumber.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** A tone, noise or counted tones by chosen outputs, to find out what hangs there. */
const { signal, outputs } = defineProps<{ signal: TestSignal | null; outputs: Pair[] }>()

const desk = useDesk()
const limits = useLimits()
const rig = useRig()

const KINDS: { label: string; value: TestSignal['kind'] }[] = [
  { label: 'a tone', value: 'tone' },
  { label: 'pink noise', value: 'noise' },
  { label: 'counted tones', value: 'counted' },
]

/** What it is for. */
const WHAT: Record<TestSignal['kind'], string> = {
  tone: 'For levels and gear that is set by a tone.',
  noise: 'For loudness: each octave has the same power, in all as much as the tone.',
  counted:
    'For cables: as many tones as the output’s number, low ones by the left of a pair, then high ones by the right.',
}

const kind = ref<TestSignal['kind']>(signal?.kind ?? 'counted')
const hertz = ref<number>(signal?.hertz ?? 1000)
const level = ref<Level>(signal?.level ?? -30)
const chosen = ref<string[]>(signal?.outputs ?? [])

const pairs = computed(() =>
  outputs.map((pair) => ({
    ...pair,
    sides: [pair.left, pair.right].flatMap((id) => rig.rig?.ports.filter((port) => port.id === id) ?? []),
  })),
)

function choose(port: string) {
  chosen.value = chosen.value.includes(port) ? chosen.value.filter((each) => each !== port) : [...chosen.value, port]
  if (signal && chosen.value.length === 0) void stop()
  else if (signal) void play()
}

const play = () =>
  desk.command({
    kind: 'play-signal',
    connection: desk.connection,
    signal: { kind: kind.value, hertz: hertz.value, level: level.value, outputs: chosen.value },
  })
const stop = () => desk.command({ kind: 'stop-signal' })

/** What is changed while it plays is heard at once. */
async function setLevel(wanted: Level) {
  level.value = wanted
  if (signal) await play()
}
function setHertz(wanted: number) {
  hertz.value = wanted
  if (signal) void play()
}
function setKind(wanted: TestSignal['kind']) {
  kind.value = wanted
  if (signal) void play()
}
</script>

<template>
  <div class="signals" role="group" aria-label="Test signal">
    <div class="line">
      <span>Play</span>
      <NamedSelect class="kind" :value="kind" :options="KINDS" label="Kind of test signal" @update:value="setKind" />
      <template v-if="kind === 'tone'">
        <NumberBox
          class="hertz"
          label="Frequency of the tone in Hz"
          :value="hertz"
          :range="limits?.toneHz"
          :set="setHertz"
        />
        <span>Hz</span>
      </template>
      <span>at</span>
      <LevelNumber label="Level of the test signal" :level="level" :set="setLevel" />
      <span>dBFS by the outputs</span>
    </div>
    <div class="outputs">
      <span v-for="pair in pairs" :key="pair.id" class="pair">
        <span class="soft">{{ pair.houseLabel }}</span>
        <button
          v-for="port in pair.sides"
          :key="port.id"
          class="word"
          :aria-pressed="chosen.includes(port.id)"
          :aria-label="`Test signal by ${port.houseLabel}`"
          @click="choose(port.id)"
        >
          {{ port.number }}
        </button>
      </span>
    </div>
    <div class="line end">
      <NButton
        size="small"
        :type="signal ? 'primary' : 'default'"
        :disabled="chosen.length === 0"
        @click="signal ? stop() : play()"
      >
        {{ signal ? 'Stop the signal' : 'Play the signal' }}
      </NButton>
      <span class="soft"
        >{{ WHAT[kind] }} In headphones it rises slowly, behind their guard, in the place of the cue.</span
      >
    </div>
  </div>
</template>

<style scoped>
.line,
.outputs {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
}

.outputs {
  gap: 6px 16px;
  margin-top: 6px;
}

.pair {
  display: flex;
  align-items: center;
  gap: 5px;
}

.kind {
  width: 170px;
}

.hertz {
  width: 110px;
}

.end {
  margin-top: 8px;
}
</style>
