<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { api, type Level, type OutletNote, type OutletStanding } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useFetched } from '@/desk/fetched'
import { useLimits } from '@/desk/limits'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import DialogCard from '@/parts/DialogCard.vue'
import LevelLine from '@/parts/LevelLine.vue'
import LevelNumber from '@/parts/LevelNumber.vue'
import LitSheet from '@/parts/LitSheet.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import { useBusy } from '@/parts/useBusy'
import { outletsShown } from './outlets'

/** Outlet by outlet: counted tones leave for it, and somebody who has put headphones on there says what is heard. */
const desk = useDesk()
const rig = useRig()
const limits = useLimits()
const { busy, run } = useBusy()

const FOUND: { label: string; cameOut: OutletNote['cameOut'] }[] = [
  { label: 'Just that', cameOut: 'as-they-should' },
  { label: 'The sides are swapped', cameOut: 'swapped' },
  { label: 'Only the left', cameOut: 'left-only' },
  { label: 'Only the right', cameOut: 'right-only' },
  { label: 'Nothing', cameOut: 'nowhere' },
]

const outlets = useFetched<OutletStanding[]>(
  () => [rig.rig?.revision, desk.notes],
  (at) => api.GET('/api/sessions/{session}/outlets', at),
)
const SIDES = ['left', 'right'] as const

const chosen = ref('')
const level = ref<Level>(-30)
const turnedDown = ref(0)
const now = computed(() => outlets.value?.find((each) => each.outlet === chosen.value))
const fed = computed(() => (outlets.value ?? []).filter((each) => each.outputs.length > 0))
const signal = computed(() => desk.live?.controlRoom.state.signal ?? null)
const plays = computed(() => signal.value?.kind === 'counted')
const elsewhere = computed(() => [
  { label: 'It came out at…', value: '' },
  ...fed.value.filter((each) => each.outlet !== chosen.value).map(({ outlet, label }) => ({ label, value: outlet })),
])
const who = (outlet: string) =>
  desk
    .session!.worn.filter((each) => each.outlet === outlet)
    .flatMap((each) => desk.performers.filter(({ id }) => id === each.performer).map(({ name }) => name))
    .join(', ')

/** The first of them that nobody has confirmed, from the one after the given place on. */
function next(after: number) {
  const inTurn = [...fed.value.slice(after + 1), ...fed.value.slice(0, after + 1)]
  return inTurn.find((each) => each.state === 'not-confirmed')?.outlet
}
watch(fed, () => {
  if (!now.value) chosen.value = next(-1) ?? fed.value[0]?.outlet ?? ''
})
/** What was typed for an outlet is of no other. */
watch([chosen, () => now.value?.turnedDownDb], ([, noted]) => (turnedDown.value = noted ?? 0))

/** Whether the tones were begun here. */
let mine = false
async function play() {
  mine = true
  await desk.command({
    kind: 'play-signal',
    connection: desk.connection,
    signal: { kind: 'counted', hertz: 1000, level: level.value, outputs: now.value!.outputs },
  })
}
const stop = () => desk.command({ kind: 'stop-signal' })

/** The tones go on to what is looked at. */
function choose(outlet: string) {
  chosen.value = outlet
  if (plays.value && now.value?.outputs.join() !== signal.value?.outputs.join()) void play()
}

async function setLevel(wanted: Level) {
  level.value = wanted
  if (plays.value) await play()
}

const note = (cameOut: OutletNote['cameOut'], at: string | null, goOn: boolean) =>
  run(() =>
    trying(async () => {
      const { outlet, outputs } = now.value!
      const place = fed.value.findIndex((each) => each.outlet === outlet)
      const body = { outlet, left: outputs[0]!, right: outputs[1]!, cameOut, at, turnedDownDb: turnedDown.value }
      const params = { path: { session: desk.session!.id } }
      outlets.value = (await api.POST('/api/sessions/{session}/outlets', { params, body })).data!
      const following = next(place)
      if (goOn && following) choose(following)
      else if (goOn && plays.value) await stop()
    }),
  )

onBeforeUnmount(() => {
  outletsShown.value = false
  if (mine && plays.value) void stop()
})
</script>

<template>
  <DialogCard v-model:show="outletsShown" title="Step through the outlets" :width="860">
    <p class="soft">
      Put headphones on at an outlet and say what you hear there. Counted tones leave for it: low ones for the left,
      then high ones for the right.
    </p>
    <p v-if="outlets && !outlets.length" class="flare">
      The rig has no headphone amp yet. Add one under Rig, and say which outputs lead to it.
    </p>
    <div v-if="outlets?.length" class="sheet">
      <table aria-label="Outlets">
        <thead>
          <tr>
            <th style="width: 160px">Outlet</th>
            <th style="width: 120px">Who</th>
            <th>What is known</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="each in outlets"
            :key="each.outlet"
            :aria-current="each.outlet === chosen || undefined"
            :class="{ chosen: each.outlet === chosen }"
          >
            <td>
              <button v-if="each.outputs.length" class="plain" @click="choose(each.outlet)">{{ each.label }}</button>
              <span v-else>{{ each.label }}</span>
            </td>
            <td>{{ who(each.outlet) || '–' }}</td>
            <td :class="{ flare: each.state === 'wrong', soft: each.state.startsWith('not') }">
              {{ each.told }}
              <template v-if="each.turnedDownDb > 0"> Turned down by {{ each.turnedDownDb }} dB.</template>
              <button v-if="each.mends.length" class="word" @click="rig.edit(each.mends)">{{ each.mend }}</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="now" class="heard" role="group" :aria-label="`What is heard at ${now.label}`">
      <p>
        At <strong>{{ now.label }}</strong> there should be {{ now.expected }}.
      </p>
      <div class="line">
        <NButton
          :type="plays ? 'default' : 'primary'"
          size="small"
          :disabled="!desk.live"
          @click="plays ? stop() : play()"
        >
          {{ plays ? 'Stop the tones' : 'Play the tones' }}
        </NButton>
        <span>at</span>
        <LevelNumber label="Level of the tones" :level="level" :set="setLevel" />
        <span>dBFS.</span>
        <span>This outlet’s own level is turned down by</span>
        <NumberBox
          class="down"
          label="By how much the outlet is turned down"
          unit="dB"
          :value="turnedDown"
          :range="limits?.outletDb"
          :set="(db) => (turnedDown = db)"
        />
        <span v-if="!desk.live" class="soft">Take the rig first.</span>
      </div>
      <LitSheet v-if="desk.live"
        ><div class="simulated">
          <span>In the simulated outlet:</span>
          <template v-for="side in SIDES" :key="side">
            <span>{{ side }}</span>
            <LevelLine
              :light="`outlet/${now.outlet}/${side}`"
              :label="`Level on the ${side} in the simulated outlet`"
              leaving
            />
          </template></div
      ></LitSheet>
      <p class="ask">What do you hear?</p>
      <div class="line">
        <NButton
          v-for="{ label, cameOut } in FOUND"
          :key="cameOut"
          size="small"
          :disabled="busy"
          @click="note(cameOut, null, cameOut === 'as-they-should')"
        >
          {{ label }}
        </NButton>
        <NamedSelect
          class="elsewhere"
          value=""
          :options="elsewhere"
          label="Where the tones came out"
          @update:value="(at: string) => at && note('elsewhere', at, false)"
        />
      </div>
    </div>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0 0 10px;
}

.sheet {
  max-height: 44vh;
  overflow: auto;
}

.chosen td {
  background: var(--glow-weak);
}

.heard {
  margin-top: 14px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
}

.simulated {
  display: grid;
  grid-template-columns: auto auto 1fr auto 1fr;
  gap: 4px 10px;
  align-items: center;
  margin-top: 10px;
}

.ask {
  margin: 14px 0 6px;
  font-weight: 600;
}

.down {
  width: 76px;
}

.elsewhere {
  width: 190px;
}
</style>
