<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { api, type PerformerTiming } from '@/api/client'
import { useDesk } from '@/desk/desk'
import FrequencyPicture from '@/parts/FrequencyPicture.vue'

/** What two ways to one ear do to a sound, as a curve and in words, and the way out. */
const { timing, name } = defineProps<{ timing: PerformerTiming; name: string }>()

const WIDTH = 560
/** Teeth that stand closer than this share of the width apart cannot be drawn. */
const DRAWN_APART = 7 / WIDTH
const DECADES = 3

const desk = useDesk()
const twice = computed(() => timing.twice!)
/** Above this frequency a band shows how far the teeth reach. */
const drawnUpTo = computed(() => {
  const [first = 0, second = 0] = twice.value.nulls
  return Math.min(20000, Math.max(20, (second - first) / (Math.pow(10, DECADES * DRAWN_APART) - 1)))
})
const drawn = computed(() => twice.value.curve.filter((point) => point.hz <= drawnUpTo.value))

function only(direct: boolean) {
  const body = { performer: timing.performer, direct, engine: !direct }
  return desk.proposed(() =>
    api.POST('/api/sessions/{session}/ways', { params: { path: { session: desk.session!.id } }, body }),
  )
}
</script>

<template>
  <div class="both">
    <figure>
      <figcaption>
        <h3>What two ways do to {{ twice.source }}</h3>
      </figcaption>
      <FrequencyPicture
        class="picture"
        :width="WIDTH"
        :height="132"
        :top-db="9"
        :range-db="39"
        :levels="[
          [6, '+6 dB'],
          [0, '0 dB'],
          [-12, '−12 dB'],
          [-24, '−24 dB'],
        ]"
        :points="drawn"
        :label="twice.sentence"
      >
        <template #default="{ x, y }">
          <rect
            :x="x(drawnUpTo)"
            :y="y(twice.peakDb)"
            :width="WIDTH - x(drawnUpTo)"
            :height="y(twice.nullDb) - y(twice.peakDb)"
          />
        </template>
      </FrequencyPicture>
    </figure>
    <div class="words">
      <h3>{{ name }} is heard twice</h3>
      <p>{{ twice.sentence }}</p>
      <div class="way">
        <NButton size="small" type="primary" @click="only(true)">Hear direct only</NButton>
        <NButton size="small" @click="only(false)">Through the engine only</NButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(240px, 2fr);
  gap: 24px;
}

figure {
  margin: 0;
}

h3 {
  font-size: 16px;
}

.picture {
  margin-top: 6px;
}

rect {
  fill: var(--lantern);
  opacity: 0.35;
}

p {
  margin: 6px 0 10px;
}

.way {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
