<script setup lang="ts">
import type { Device, Port } from '@/api/client'
import { useRig } from '@/desk/rig'

/** The rig's devices in a row, each with what it is in a few words, and the mic locker. */
const { devices, chosen, locker } = defineProps<{
  devices: Device[]
  /** What is shown, a device or the locker. */
  chosen: string
  /** What the locker is called among the devices. */
  locker: string
}>()
const emit = defineEmits<{ show: [id: string] }>()

const store = useRig()

function words(each: Device) {
  const count = (direction: Port['direction'], what: string) => {
    const ports = store.portsOf(each.id, direction).length
    return ports ? [`${ports} ${what}`] : []
  }
  const clock = { leads: ['leads the clock'], follows: [], own: [`own clock, ${each.driftPpm} ppm`], none: [] }[
    each.clock
  ]
  const byHand = each.kind === 'preamp' && store.portsOf(each.id, 'in').every((port) => !port.remote)
  return [...count('in', 'in'), ...count('out', 'out'), ...clock, ...(byHand ? ['set by hand'] : [])].join(' · ')
}
</script>

<template>
  <div class="devices" role="tablist" aria-label="Devices">
    <button
      v-for="each in devices"
      :key="each.id"
      role="tab"
      :aria-selected="each.id === chosen"
      @click="emit('show', each.id)"
    >
      <strong>{{ each.name }}</strong>
      <span>{{ words(each) }}</span>
    </button>
    <button role="tab" :aria-selected="chosen === locker" @click="emit('show', locker)">
      <strong>Mic locker</strong>
      <span>{{ store.rig!.mics.length }} kinds</span>
    </button>
  </div>
</template>

<style scoped>
.devices {
  display: flex;
  gap: 6px;
  padding: 4px 4px 10px;
  overflow-x: auto;
  flex: none;
}

.devices button {
  display: flex;
  flex-direction: column;
  flex: none;
  padding: 6px 8px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--sheet);
  text-align: left;
  cursor: pointer;
}

.devices span {
  color: var(--soft);
  font-size: 12px;
}

.devices [aria-selected='true'] {
  border-color: var(--lantern);
  box-shadow: 0 0 0 3px var(--glow-weak);
}
</style>
