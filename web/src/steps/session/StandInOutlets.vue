<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Command } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import { levelOf } from '@/desk/levels'
import { useRig } from '@/desk/rig'
import LampLight from '@/parts/LampLight.vue'
import LitSheet from '@/parts/LitSheet.vue'
import NumberBox from '@/parts/NumberBox.vue'
import { useReading } from '@/steps/cues/useReading'

/** The simulated headphone amps: what sounds in each outlet, its level, its switch, its overload light. */
const desk = useDesk()
const rig = useRig()
const limits = useLimits()

type Outlet = Omit<Extract<Command, { kind: 'turn-outlet' }>, 'kind'>

const SIDES = ['left', 'right'] as const

const overloaded = ref<string[]>([])
const outlets = computed(() =>
  (desk.live?.outlets ?? []).map((outlet) => ({
    ...outlet,
    label: rig.rig?.ports.find((port) => port.id === outlet.port)?.houseLabel ?? outlet.port,
  })),
)

useReading(() => {
  const now = outlets.value
    .map(({ port }) => port)
    .filter((port) => SIDES.some((side) => levelOf(`outlet/${port}/${side}`) > 0))
  if (now.join() !== overloaded.value.join()) overloaded.value = now
})

const turn = ({ port, turnedDownDb, on }: Outlet) => desk.command({ kind: 'turn-outlet', port, turnedDownDb, on })
</script>

<template>
  <LitSheet above>
    <div v-for="outlet in outlets" :key="outlet.port" class="outlet" role="group" :aria-label="outlet.label">
      <span>{{ outlet.label }}</span>
      <span class="lamps" title="What sounds on the left, and on the right">
        <LampLight v-for="side in SIDES" :key="side" :light="`outlet/${outlet.port}/${side}`" />
      </span>
      <span class="hand">
        −
        <NumberBox
          :label="`By how much ${outlet.label} is turned down in dB`"
          :value="outlet.turnedDownDb"
          :range="limits?.outletDb"
          :set="(turnedDownDb) => turn({ ...outlet, turnedDownDb })"
        />
        dB
      </span>
      <button
        class="word"
        :aria-pressed="outlet.on"
        :aria-label="`${outlet.label} switched on`"
        @click="turn({ ...outlet, on: !outlet.on })"
      >
        {{ outlet.on ? 'on' : 'off' }}
      </button>
      <strong v-if="overloaded.includes(outlet.port)" class="flare over">overload</strong>
    </div>
  </LitSheet>
</template>

<style scoped>
.outlet {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 6px;
  align-items: center;
  margin-top: 8px;
}

.lamps {
  display: flex;
  gap: 4px;
}

.hand {
  display: flex;
  align-items: center;
  gap: 4px;
}

.hand .number {
  width: 46px;
}

.over {
  grid-column: 1 / -1;
}
</style>
