<script setup lang="ts">
import { reactive, watch } from 'vue'
import type { Device } from '@/api/client'
import { useRig } from '@/desk/rig'
import NumberBox from '@/parts/NumberBox.vue'

/** What a headphone amp does to the level, as it is turned now; told once all three numbers are known. */
const { device } = defineProps<{ device: Device }>()

type Amp = NonNullable<Device['amp']>

const rig = useRig()
const typed = reactive<Record<keyof Amp, number | null>>({ gainDb: null, outputOhms: null, mostVolts: null })
watch(
  () => device.amp,
  (amp) => Object.assign(typed, amp ?? { gainDb: null, outputOhms: null, mostVolts: null }),
  { immediate: true },
)

const NUMBERS: { field: keyof Amp; before: string; unit: string }[] = [
  { field: 'gainDb', before: 'gain as it is turned', unit: 'dB' },
  { field: 'outputOhms', before: 'output', unit: 'Ω' },
  { field: 'mostVolts', before: 'gives up to', unit: 'V' },
]

function put(field: keyof Amp, value: number) {
  typed[field] = value
  const { gainDb, outputOhms, mostVolts } = typed
  if (gainDb === null || outputOhms === null || mostVolts === null) return
  return rig.edit([{ kind: 'set-amp', device: device.id, amp: { gainDb, outputOhms, mostVolts } }])
}
</script>

<template>
  <span class="amp soft">
    <template v-for="{ field, before, unit } in NUMBERS" :key="field">
      {{ before }}
      <NumberBox
        placeholder="?"
        :label="`${before} of ${device.name}`"
        :unit="unit"
        :value="typed[field]"
        :set="(value) => put(field, value)"
      />
    </template>
  </span>
</template>

<style scoped>
.amp {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
