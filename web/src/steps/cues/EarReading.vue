<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CueEars } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { levelOf } from '@/desk/levels'
import { lasting } from '@/desk/written'
import { shown } from '@/parts/scale'
import { outletsShown } from './outlets'
import { useReading } from './useReading'

/** How loud it is at the ears of somebody who hears a cue, as far as the way there is known. */
const { cue, way } = defineProps<{ cue: string; way: CueEars['ways'][number] }>()

const desk = useDesk()
const spl = ref<number | null>(null)
const minutes = ref(Infinity)
const name = computed(() => desk.performers.find((each) => each.id === way.performer)?.name ?? way.performer)
const by = computed(() => [way.headphones, way.outlet].filter(Boolean).join(', at '))

/** Quieter than anything one hears in headphones. */
const SILENT = 20
/** What can go on for a working day is not told. */
const A_DAY = 8 * 60

useReading(() => {
  const level = levelOf(`ear/${cue}/${way.performer}`)
  spl.value = level > SILENT ? Math.round(level) : null
  minutes.value = level > SILENT ? levelOf(`exposure/${cue}/${way.performer}`) : Infinity
})
</script>

<template>
  <p v-if="way.unknown" class="flare">{{ way.unknown }}</p>
  <p v-else>
    <strong>{{ name }}: {{ desk.live && spl !== null ? `about ${spl} dB(A)` : 'silence' }}</strong>
    <span v-if="desk.live && minutes < A_DAY" :class="{ flare: minutes < 60 }">
      · {{ lasting(minutes) }} of this are a day’s limit
    </span>
    <span class="soft by">
      {{ by }}
      <template v-if="way.overloadsAtDbfs !== null">
        · amp overloads from {{ shown(way.overloadsAtDbfs) }} dBFS
      </template>
      <button
        v-if="way.arrival === 'wrong' || way.arrival === 'not-confirmed'"
        class="plain told"
        :class="{ flare: way.arrival === 'wrong' }"
        :title="way.found"
        @click="outletsShown = true"
      >
        {{ way.arrival === 'wrong' ? way.found : 'not confirmed' }}
      </button>
    </span>
  </p>
</template>

<style scoped>
p {
  font-size: 13px;
}

.by {
  display: block;
}

.told {
  text-align: left;
  text-decoration: underline dotted;
}
</style>
