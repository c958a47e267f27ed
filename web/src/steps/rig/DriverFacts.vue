<script setup lang="ts">
import { NPopover } from 'naive-ui'
import { computed } from 'vue'
import type { Device, Driver } from '@/api/client'
import { useRig } from '@/desk/rig'

/** What an interface can run at: press to take away, press to give back. */
const { device } = defineProps<{ device: Device }>()

const store = useRig()

const RATES = [44100, 48000, 88200, 96000, 176400, 192000]
const BUFFERS = [16, 32, 64, 128, 256, 512, 1024, 2048]

const driver = computed(() => device.driver!)
const span = (numbers: number[], scale: number) =>
  numbers.length === 1 ? `${numbers[0]! / scale}` : `${numbers[0]! / scale} to ${numbers.at(-1)! / scale}`

const set = (change: Partial<Driver>) =>
  store.edit([{ kind: 'set-driver', device: device.id, driver: { ...driver.value, ...change } }])

const without = (numbers: number[], number: number) =>
  numbers.includes(number) ? numbers.filter((each) => each !== number) : [...numbers, number]
</script>

<template>
  <NPopover trigger="click" placement="bottom" :width="360">
    <template #trigger>
      <button class="word" :aria-label="`What ${device.name} can run at`">
        {{ span(driver.sampleRates, 1000) }} kHz, buffers {{ span(driver.bufferFrames, 1) }}
      </button>
    </template>
    <p class="soft">Sample rates in kHz</p>
    <button
      v-for="rate in RATES"
      :key="rate"
      class="word"
      :aria-pressed="driver.sampleRates.includes(rate)"
      @click="set({ sampleRates: without(driver.sampleRates, rate) })"
    >
      {{ rate / 1000 }}
    </button>
    <p class="soft">Buffers in frames</p>
    <button
      v-for="frames in BUFFERS"
      :key="frames"
      class="word"
      :aria-pressed="driver.bufferFrames.includes(frames)"
      @click="set({ bufferFrames: without(driver.bufferFrames, frames) })"
    >
      {{ frames }}
    </button>
    <p>
      <button
        class="word"
        :aria-pressed="driver.directMonitoring"
        @click="set({ directMonitoring: !driver.directMonitoring })"
      >
        direct monitoring
      </button>
    </p>
  </NPopover>
</template>

<style scoped>
p {
  margin: 6px 0;
}

.word {
  margin-right: 4px;
}
</style>
