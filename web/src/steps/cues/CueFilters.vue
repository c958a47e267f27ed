<script setup lang="ts">
import { NSwitch } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Cue, type CurvePoint } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import FrequencyPicture from '@/parts/FrequencyPicture.vue'
import { HEARD_HZ } from '@/parts/heard'
import CornerSlider from '@/parts/CornerSlider.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** What a cue leaves out of low and high sound, and what that leaves of each frequency as a curve. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()
const limits = useLimits()
const curve = ref<CurvePoint[]>([])

const filters = computed(() => [
  { kind: 'set-cue-high-pass' as const, name: 'High-pass', corner: cue.highPass, range: limits.value?.highPassHz },
  { kind: 'set-cue-low-pass' as const, name: 'Low-pass', corner: cue.lowPass, range: limits.value?.lowPassHz },
])

const words = computed(() => {
  const on = filters.value.filter((each) => each.corner.on).map((each) => `${each.name} at ${each.corner.hz} Hz`)
  return on.length ? on.join(', ') : 'nothing left out'
})

let asked = 0
watch(
  () => [cue.id, cue.highPass.on, cue.highPass.hz, cue.lowPass.on, cue.lowPass.hz, desk.session?.sampleRate],
  async () => {
    const mine = ++asked
    const path = { session: desk.session!.id, cue: cue.id }
    const answer = await api.GET('/api/sessions/{session}/cues/{cue}/curve', { params: { path } }).catch(() => null)
    if (mine === asked && answer?.data) curve.value = answer.data
  },
  { immediate: true },
)
</script>

<template>
  <div class="filters">
    <div v-for="{ kind, name, corner } in filters" :key="kind" class="row">
      <NSwitch
        size="small"
        :value="corner.on"
        :aria-label="name"
        @update:value="(on: boolean) => desk.edit([{ kind, cue: cue.id, on, hz: corner.hz }])"
      />
      <span :class="{ soft: !corner.on }">{{ name }}</span>
      <NumberBox
        class="hz"
        :value="corner.hz"
        unit="Hz"
        :label="name"
        :set="(hz) => desk.edit([{ kind, cue: cue.id, on: corner.on, hz }])"
      />
    </div>
    <div v-if="cue.highPass.on || cue.lowPass.on" class="picture">
      <FrequencyPicture
        :width="240"
        :height="56"
        :top-db="3"
        :range-db="30"
        :levels="[
          [0, ''],
          [-12, '−12 dB'],
          [-24, ''],
        ]"
        :points="curve"
        :label="words"
      />
      <template v-for="{ kind, name, corner, range } in filters" :key="kind">
        <CornerSlider
          v-if="corner.on && range"
          :hz="corner.hz"
          :scale="HEARD_HZ"
          :lowest="range.from"
          :highest="range.to"
          :label="`${name} in ${cue.name}`"
          :set="(hz, gesture) => desk.edit([{ kind, cue: cue.id, on: true, hz }], gesture)"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-direction: column;
  gap: 4px;
}

.row {
  display: flex;
  align-items: center;
  gap: 8px;
}

.hz {
  margin-left: auto;
}

.picture {
  position: relative;
  margin-top: 4px;
}
</style>
