<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type CablePort, type FoundLoopback, type TimingSheet } from '@/api/client'
import { moment } from '@/desk/written'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import { useTask } from '@/desk/task'
import DialogCard from '@/parts/DialogCard.vue'
import SelectRow from '@/parts/SelectRow.vue'
import TaskBar from '@/parts/TaskBar.vue'

/** Measures over a cable what the interface really takes, and lets that count. */
const shown = defineModel<boolean>('shown', { required: true })
const { sheet } = defineProps<{ sheet: TimingSheet }>()

const desk = useDesk()
const rig = useRig()
const output = ref('')
const input = ref('')
const aware = ref(false)
const { share, begin, cancel } = useTask()
const found = ref<FoundLoopback | null>(null)
const trouble = ref('')
let asked = 0

const offered = (ports: CablePort[]) => ports.map(({ port, label }) => ({ label, value: port }))
const outputs = computed(() => offered(sheet.cable.outputs))
const inputs = computed(() => offered(sheet.cable.inputs))

watch(shown, (now) => {
  if (!now) return cancel()
  found.value = null
  trouble.value = ''
  aware.value = false
  output.value ||= outputs.value[0]?.value ?? ''
  input.value ||= inputs.value[0]?.value ?? ''
})

const plugged = computed(() =>
  desk.live?.cables.some((cable) => cable.output === output.value && cable.input === input.value),
)
async function measure() {
  found.value = null
  trouble.value = ''
  const body = { output: output.value, input: input.value, aware: aware.value }
  const path = { session: desk.session!.id }
  const mine = ++asked
  const answer = await begin((task) =>
    api.POST('/api/live/{session}/loopback', { params: { path, query: { task } }, body }).catch((failed: Error) => {
      if (mine === asked && share.value !== null) trouble.value = failed.message
    }),
  )
  found.value = answer?.data ?? null
}

function adopt(adopted: boolean) {
  const params = { path: { rig: rig.rig!.id } }
  const body = { device: sheet.measured!.device, sampleRate: sheet.sampleRate, adopted }
  return trying(() => api.POST('/api/rigs/{rig}/measured-latency', { params, body }))
}

const newest = computed(() => sheet.measured?.newest)
const adopted = computed(() => sheet.measured?.adopted)
const isNewest = computed(() => newest.value && adopted.value && newest.value.at === adopted.value.at)
</script>

<template>
  <DialogCard v-model:show="shown" title="Measure with a cable" :width="620">
    <p class="soft">
      Plug a cable from an output straight into an input that is free. Three sweeps go out and come back; that takes
      about three seconds.
    </p>
    <div class="ports">
      <SelectRow v-model="output" :options="outputs" label="From output" />
      <SelectRow v-model="input" :options="inputs" label="Into input" />
      <NButton
        v-if="desk.live"
        size="small"
        :disabled="!output || !input"
        title="A cable of the stand-in, since there is no real one here"
        @click="plugged ? desk.command({ kind: 'pull-cables' }) : desk.command({ kind: 'plug-cable', output, input })"
      >
        {{ plugged ? "Pull out the stand-in's cable" : "Plug in the stand-in's cable" }}
      </NButton>
    </div>
    <NCheckbox v-model:checked="aware">Nobody listens at this output: the sweeps may be loud there.</NCheckbox>
    <div class="way">
      <NButton type="primary" :disabled="share !== null || !desk.live || !output || !input" @click="measure">
        Measure
      </NButton>
      <span v-if="!desk.live" class="soft">Take the rig first.</span>
      <TaskBar v-if="share !== null" class="bar" :share="share" label="How much has been measured" @cancel="cancel" />
    </div>
    <p v-if="trouble" class="flare" role="alert">{{ trouble }}</p>
    <template v-if="found">
      <p :class="{ flare: found.verdict !== 'trusted' }" role="status">
        <strong>{{ found.sentence }}</strong>
      </p>
      <p v-if="found.runs.length" class="soft">
        The three runs: {{ found.runs.map((each) => each.toFixed(2)).join(', ') }} frames, the signal
        {{ Math.round(found.signalToNoiseDb) }} dB above all else.
      </p>
    </template>
    <template v-if="newest">
      <h3>{{ sheet.device }} at {{ sheet.sampleRate / 1000 }} kHz</h3>
      <p>Measured {{ moment(newest.at) }}: {{ sheet.measuredWords }}</p>
      <p v-if="sheet.stale" class="flare">That was with another buffer or driver. Measure again.</p>
      <div class="way">
        <NButton v-if="!isNewest" size="small" type="primary" @click="adopt(true)">Adopt as recording offset</NButton>
        <span v-else>
          <strong>Adopted:</strong> takes are moved {{ Math.abs(sheet.notReported).toFixed(1) }} frames
          {{ sheet.notReported >= 0 ? 'earlier' : 'later' }} than the driver says.
        </span>
        <button v-if="adopted" class="word" @click="adopt(false)">Believe the driver again</button>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
.ports {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 12px;
  align-items: end;
  margin: 10px 0;
}

.way {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 12px;
}

.bar {
  width: 260px;
}

p {
  margin: 8px 0 0;
}

h3 {
  margin-top: 18px;
  font-size: 15px;
}
</style>
