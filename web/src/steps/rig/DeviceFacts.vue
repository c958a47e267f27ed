<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import type { Device } from '@/api/client'
import { useLimits } from '@/desk/limits'
import { useRig } from '@/desk/rig'
import { decimal } from '@/desk/written'
import EditableText from '@/parts/EditableText.vue'
import AmpFacts from './AmpFacts.vue'
import DriverFacts from './DriverFacts.vue'

/** What a device is: its name, whose clock it runs by, its full scale, the latency it reports. */
const { device } = defineProps<{ device: Device }>()

const store = useRig()

const limits = useLimits()
const converts = computed(() => limits.value?.deviceKinds.find((each) => each.kind === device.kind)?.converts)
const CLOCKS: { label: string; value: Device['clock'] }[] = [
  { label: 'leads the clock', value: 'leads' },
  { label: 'follows the clock', value: 'follows' },
  { label: 'runs on its own clock', value: 'own' },
]

type Measure = 'converterIn' | 'driverIn' | 'driverOut' | 'converterOut'
const MEASURES: { key: Measure; label: string; before: string }[] = [
  { key: 'converterIn', label: 'converter in', before: 'in' },
  { key: 'driverIn', label: 'driver in', before: '+' },
  { key: 'driverOut', label: 'driver out', before: 'out' },
  { key: 'converterOut', label: 'converter out', before: '+' },
]

/** Over a song of five minutes, ppm · 300 s. */
const drift = computed(() => `${((Math.abs(device.driftPpm) * 300) / 1000).toFixed(1)} ms in five minutes`)

function number(event: Event, was: number, set: (value: number) => unknown) {
  const box = event.target as HTMLInputElement
  const value = decimal(box.value)
  box.value = String(was)
  if (Number.isFinite(value) && value !== was) void set(value)
}

const measure = (fullScaleDbu: number, latency: Device['latency']) =>
  store.edit([{ kind: 'measure-device', device: device.id, fullScaleDbu, latency }])
</script>

<template>
  <div class="facts">
    <strong>
      <EditableText
        :text="device.name"
        :label="`Name of ${device.name}`"
        :set="(name) => store.edit([{ kind: 'name-device', device: device.id, name }])"
      />
    </strong>
    <template v-if="converts">
      <NSelect
        class="clock"
        size="tiny"
        :value="device.clock"
        :options="CLOCKS"
        :input-props="{ 'aria-label': 'Clock' }"
        aria-label="Clock"
        @update:value="
          (clock: Device['clock']) =>
            store.edit([{ kind: 'set-device-clock', device: device.id, clock, driftPpm: device.driftPpm }])
        "
      />
      <label v-if="device.clock === 'own'" class="flare">
        <input
          class="field"
          :value="device.driftPpm"
          aria-label="Drift in ppm"
          @change="
            number($event, device.driftPpm, (driftPpm) =>
              store.edit([{ kind: 'set-device-clock', device: device.id, clock: 'own', driftPpm }]),
            )
          "
        />
        ppm, {{ drift }}
      </label>
      <label class="soft">
        full scale
        <input
          class="field"
          :value="device.fullScaleDbu"
          aria-label="Full scale in dBu"
          @change="number($event, device.fullScaleDbu, (value) => measure(value, device.latency))"
        />
        dBu
      </label>
      <DriverFacts v-if="device.driver" :device="device" />
      <span v-if="device.kind === 'interface'" class="soft latency">
        latency reported
        <template v-for="each in MEASURES" :key="each.key">
          {{ each.before }}
          <input
            class="field"
            :value="device.latency[each.key]"
            :aria-label="`Frames of ${each.label}`"
            :title="each.label"
            @change="
              number($event, device.latency[each.key], (value) =>
                measure(device.fullScaleDbu, { ...device.latency, [each.key]: value }),
              )
            "
          />
        </template>
        frames
      </span>
    </template>
    <AmpFacts v-if="device.kind === 'headphone-amp'" :device="device" />
    <button
      class="word out"
      :aria-label="`Remove ${device.name}`"
      @click="store.edit([{ kind: 'remove-device', device: device.id }])"
    >
      Remove device
    </button>
  </div>
</template>

<style scoped>
.facts {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  min-height: 32px;
  margin-bottom: 8px;
}

.clock {
  width: 165px;
}

.field {
  width: 46px;
  text-align: right;
}

.latency {
  display: flex;
  align-items: center;
  gap: 5px;
}

.out {
  margin-left: auto;
}
</style>
