<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Port } from '@/api/client'
import { useLimits } from '@/desk/limits'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import ChoiceList from '@/parts/ChoiceList.vue'
import AddDevice from './AddDevice.vue'
import DescribePorts from './DescribePorts.vue'
import DeviceFacts from './DeviceFacts.vue'
import { usePicked } from '@/parts/usePicked'
import GroupOutputs from './GroupOutputs.vue'
import DeviceTabs from './DeviceTabs.vue'
import LostBySessions from './LostBySessions.vue'
import LitSheet from '@/parts/LitSheet.vue'
import MicLocker from './MicLocker.vue'
import NameMany from './NameMany.vue'
import OutputRows from './OutputRows.vue'
import PortRow from './PortRow.vue'
import RigCopies from './RigCopies.vue'
import TogetherPorts from './TogetherPorts.vue'

const LOCKER = 'the locker'

const store = useRig()
const limits = useLimits()
const route = useRoute()
const shown = ref('')
/** A way here may name the device that is wanted. */
watch(
  () => route.query.device,
  (wanted) => (shown.value = typeof wanted === 'string' ? wanted : shown.value),
  { immediate: true },
)
const adding = ref(false)
const naming = ref(false)
const copying = ref(false)
const describing = ref(false)

const devices = computed(() => store.devices)
const device = computed(() => devices.value.find((each) => each.id === shown.value) ?? devices.value[0])
const inputs = computed(() => (device.value ? store.portsOf(device.value.id, 'in') : []))
const outputs = computed(() => (device.value ? store.portsOf(device.value.id, 'out') : []))
/** The pairs of outputs that have no use yet. */
const idle = computed(() => {
  const own = new Set(outputs.value.filter((port) => !port.hidden).map((port) => port.id))
  return store.rig!.pairs.filter((pair) => own.has(pair.left) && pair.feeds === 'nothing')
})
const { picked, isPicked, pick, letGo } = usePicked(inputs)
const named = computed(() => {
  return picked.value.length ? picked.value : inputs.value.length ? inputs.value : outputs.value
})
const path = computed(() => {
  const last = picked.value.at(-1)
  return last ? store.path(last.id) : []
})

watch(shown, letGo)

/** The ports that are named together. */
const toName = ref<Port[]>([])
function nameMany(ports: Port[]) {
  toName.value = ports
  naming.value = true
}

function pairAll(direction: Port['direction']) {
  const body = { device: device.value!.id, direction }
  return store.proposed(() => api.POST('/api/rigs/{rig}/pairs', { ...store.at, body }))
}

/** What of the selected leads on to somewhere. */
const tieable = computed(() => picked.value.filter((port) => store.endsOf(port.id).includes('to')))
const tying = ref(false)

const firstEnds = ref<{ label: string; value: string }[]>([])

/** Where the first of the selected could go on to. */
async function chooseFirst() {
  tying.value = await trying(async () => {
    const ends = await store.farEnds(tieable.value[0]!.id, 'to')
    firstEnds.value = ends.flatMap(({ label, port }) => (port ? [{ label, value: port }] : []))
  })
}

function tieInOrder(first: string) {
  tying.value = false
  const body = { from: tieable.value.map((port) => port.id), first }
  return store.proposed(() => api.POST('/api/rigs/{rig}/ties', { ...store.at, body }))
}

/** Two that are in no pair yet, wherever they are. */
const pairable = computed(() => picked.value.length === 2 && picked.value.every((port) => !store.pairOf(port.id)))

/** Side by side, and as many as a wide source may have. */
const groupable = computed(() => {
  const chosen = picked.value
  const { from = Infinity, to = 0 } = limits.value?.portsOfAGroup ?? {}
  return chosen.length >= from && chosen.length <= to && chosen.at(-1)!.number - chosen[0]!.number === chosen.length - 1
})

const makeOne = () => store.together(picked.value.map((port) => port.id))

function show(id: string) {
  shown.value = id
}
</script>

<template>
  <section class="step">
    <header>
      <h1>Rig</h1>
      <span v-if="store.rig && picked.length === 0" class="soft"
        >{{ store.rig.name }}. The fixed equipment, and what it is called.</span
      >
      <span class="fill"></span>
      <NButton v-if="device && shown !== LOCKER" size="small" @click="nameMany(named)">Name many</NButton>
      <ChoiceList
        v-if="tying"
        class="tying"
        :value="null"
        :options="firstEnds"
        label="Where the first of them goes on to"
        @choose="tieInOrder"
        @close="tying = false"
      />
      <NButton
        v-else-if="tieable.length > 1"
        size="small"
        title="The first to a port, the others to those after it"
        @click="chooseFirst"
      >
        Tie {{ tieable.length }} in order
      </NButton>
      <NButton v-if="pairable" size="small" @click="makeOne">Pair these two</NButton>
      <NButton v-if="groupable" size="small" @click="makeOne">Group {{ picked.length }}</NButton>
      <NButton v-if="picked.length" size="small" @click="describing = true">Describe</NButton>
      <NButton size="small" :disabled="!store.rig" @click="copying = true">Copies</NButton>
      <NButton size="small" type="primary" :disabled="!store.rig" @click="adding = true">Add a device</NButton>
    </header>
    <template v-if="store.rig">
      <DeviceTabs
        :devices="devices"
        :chosen="shown === LOCKER ? LOCKER : (device?.id ?? '')"
        :locker="LOCKER"
        @show="show"
      />
      <LostBySessions />
      <MicLocker v-if="shown === LOCKER" />
      <p v-else-if="!device" class="soft">
        Nothing here yet. Add the interface first; then what is always tied to it: preamps, wall box, headphone amps.
      </p>
      <template v-else>
        <DeviceFacts :key="device.id" :device="device" />
        <div class="both" :class="{ ins: !outputs.length, outs: !inputs.length }">
          <div v-if="inputs.length" class="side">
            <h2>
              {{ device.kind === 'sound-module' ? 'What it plays' : 'What comes in' }}
              <button class="word" @click="pairAll('in')">Pair neighbours</button>
            </h2>
            <TogetherPorts :device="device.id" direction="in" />
            <LitSheet
              ><div class="sheet">
                <table aria-label="What comes in">
                  <thead>
                    <tr>
                      <td style="width: 30px"></td>
                      <td style="width: 24px"></td>
                      <th>House label</th>
                      <th class="panel">Panel</th>
                      <th :style="{ width: outputs.length ? '96px' : '20%' }">Tied</th>
                      <th :style="{ width: outputs.length ? '92px' : '20%' }">In this session</th>
                      <th style="width: 84px">Accepts</th>
                      <th class="preamp">Preamp</th>
                      <td style="width: 60px"></td>
                    </tr>
                  </thead>
                  <tbody>
                    <PortRow
                      v-for="port in inputs"
                      :key="port.id"
                      :port="port"
                      :picked="isPicked(port.id)"
                      @pick="pick(port.id, $event)"
                    />
                  </tbody>
                </table></div
            ></LitSheet>
          </div>
          <div v-if="outputs.length" class="side">
            <h2>
              What goes out
              <button class="word" title="Pair neighbours" aria-label="Pair neighbours" @click="pairAll('out')">
                Pair
              </button>
              <button v-if="inputs.length" class="word" @click="nameMany(outputs)">Name many</button>
              <button
                v-if="idle.length > 1"
                class="word"
                :title="`The ${idle.length} pairs that have no use yet feed headphones`"
                @click="
                  store.edit(idle.map((pair) => ({ kind: 'set-pair-feeds', pair: pair.id, feeds: 'headphones' })))
                "
              >
                {{ idle.length }} for headphones
              </button>
              <GroupOutputs v-if="outputs.length > 2" :outputs="outputs" />
            </h2>
            <TogetherPorts :device="device.id" direction="out" />
            <div class="sheet"><OutputRows :device="device.id" /></div>
          </div>
        </div>
        <p class="hint">
          <template v-if="path.length > 1">
            Signal path:
            <template v-for="(port, at) in path" :key="port.id"
              ><template v-if="at"> → </template><strong>{{ port.houseLabel }}</strong> ({{ port.panelName }})</template
            >
          </template>
          <template v-else>
            Press a port's number to see its signal path; with <kbd>Shift</kbd> select several, then describe or name
            them together. Click a label to change it.
          </template>
        </p>
      </template>
      <AddDevice v-model:shown="adding" @added="show" />
      <NameMany v-model:shown="naming" :ports="toName" />
      <DescribePorts v-model:shown="describing" :ports="named" />
      <RigCopies v-model:shown="copying" />
    </template>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 346px;
  gap: 14px;
  min-height: 0;
  flex: 0 1 auto;
}

.panel {
  width: 95px;
}

.preamp {
  width: 122px;
}

@media (max-width: 1100px) {
  .both {
    grid-template-columns: minmax(0, 1fr) 290px;
  }

  .panel {
    width: 86px;
  }

  .preamp {
    width: 104px;
  }
}

.both.ins,
.both.outs {
  grid-template-columns: minmax(0, 1fr);
}

.side {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.side h2 {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin-bottom: 6px;
  font-size: 17px;
}

h2 .word {
  flex: none;
  font-family: var(--text);
  font-weight: 400;
}

.tying {
  width: 260px;
}

table {
  table-layout: fixed;
}

@media (max-width: 820px) {
  .both,
  .outs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
