<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CueEars } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { levelOf } from '@/desk/levels'
import { shown } from '@/parts/scale'
import { useReading } from './useReading'

/** How loud it is at the ears of somebody who hears a cue, as far as the way there is known. */
const { cue, way } = defineProps<{ cue: string; way: CueEars['ways'][number] }>()

const desk = useDesk()
const spl = ref<number | null>(null)
const name = computed(() => desk.performers.find((each) => each.id === way.performer)?.name ?? way.performer)
const by = computed(() => [way.headphones, way.outlet].filter(Boolean).join(', at '))

/** Quieter than anything one hears in headphones. */
const SILENT = 20

useReading(() => {
  const level = levelOf(`ear/${cue}/${way.performer}`)
  spl.value = level > SILENT ? Math.round(level) : null
})
</script>

<template>
  <p v-if="way.unknown" class="flare">{{ way.unknown }}</p>
  <p v-else>
    <strong>{{ name }}: {{ desk.live && spl !== null ? `about ${spl} dB SPL` : 'silence' }}</strong>
    <span class="soft">
      by {{ by }}.
      <template v-if="way.overloadsAtDbfs !== null">
        The amp overloads from {{ shown(way.overloadsAtDbfs) }} dBFS on.
      </template>
    </span>
  </p>
</template>

<style scoped>
p {
  font-size: 13px;
}
</style>
