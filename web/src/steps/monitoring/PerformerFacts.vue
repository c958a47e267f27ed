<script setup lang="ts">
import { computed } from 'vue'
import type { Performer, PerformerTiming, TimingSheet } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import FormRow from '@/parts/FormRow.vue'
import LitSheet from '@/parts/LitSheet.vue'
import LevelCell from '@/parts/LevelCell.vue'
import PanSlider from '@/parts/PanSlider.vue'
import NumberBox from '@/parts/NumberBox.vue'
import { inWords } from './words'
import PlaysSelect from '@/steps/performers/PlaysSelect.vue'

/** What a performer plays, how late they may hear it, how far their speaker is, and how loud they hear each input direct. */
const { timing, performer, sheet } = defineProps<{
  timing: PerformerTiming
  performer: Performer
  sheet: TimingSheet
}>()

const desk = useDesk()
const limits = useLimits()

const own = computed(() => sheet.tolerances.find((each) => each.source === timing.plays))

/** The inputs they play and those of others that they hear direct. */
const inputs = computed(() => {
  const cue = timing.cue
  if (!cue) return []
  return desk.inputs
    .filter((input) => input.performer === performer.id || directOf(cue, input.id))
    .map((input) => ({ input, cue, direct: directOf(cue, input.id) }))
})
const directOf = (cue: string, input: string) =>
  desk.session!.direct.find((each) => each.cue === cue && each.input === input)
const cueName = computed(() => desk.cues.find((cue) => cue.id === timing.cue)?.name)
</script>

<template>
  <div class="facts">
    <div>
      <h3>{{ performer.name }}</h3>
      <p v-if="timing.engine">Through the engine: {{ inWords(timing.engine) }}.</p>
      <p v-if="timing.direct">Direct: {{ inWords(timing.direct) }}. No ceiling guard protects this way.</p>
      <p v-if="!timing.engine && !timing.direct" class="soft">
        {{ timing.cue ? `${cueName} holds nothing of what they play.` : 'They hear no cue that leaves anywhere.' }}
      </p>
      <div class="fields">
        <FormRow label="Plays">
          <PlaysSelect class="plays" :performer="performer" :sheet="sheet" />
        </FormRow>
        <FormRow v-if="own" :label="`Tolerance, ms (${own.words})`">
          <NumberBox
            class="ms"
            :label="`How late ${own.words} may be heard, in ms`"
            :value="own.ms"
            :range="limits?.toleranceMs"
            :step="0.5"
            :set="(ms) => desk.edit([{ kind: 'set-tolerance', source: own!.source, ms }])"
          />
        </FormRow>
        <FormRow label="To their speaker, m">
          <NumberBox
            class="ms"
            :label="`How far ${performer.name} is from their speaker, in metres; 0 with headphones`"
            :value="performer.metres"
            :range="limits?.earMetres"
            :step="0.5"
            :set="(metres) => desk.edit([{ kind: 'set-ear-distance', performer: performer.id, metres }])"
          />
        </FormRow>
      </div>
    </div>
    <div v-if="inputs.length">
      <h3>Direct in {{ cueName }}</h3>
      <LitSheet>
        <table class="levels" :aria-label="`What is heard direct in ${cueName}`">
          <tbody>
            <tr v-for="{ input, cue, direct } in inputs" :key="input.id">
              <td>{{ input.source }}</td>
              <td>
                <LevelCell
                  :label="`${input.source} direct in ${cueName}`"
                  :light="`input/${input.id}`"
                  :silent="input.cut"
                  :level="direct?.level ?? 'off'"
                  :set="
                    (level, gesture) => desk.edit([{ kind: 'set-direct-level', cue, input: input.id, level }], gesture)
                  "
                />
              </td>
              <td class="pan">
                <PanSlider
                  v-if="direct"
                  :pan="direct.pan"
                  :label="`Pan of ${input.source} direct in ${cueName}`"
                  :set="(pan, gesture) => desk.edit([{ kind: 'set-direct-pan', cue, input: input.id, pan }], gesture)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </LitSheet>
    </div>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
}

h3 {
  font-size: 16px;
}

p {
  margin: 4px 0 6px;
}

.fields {
  display: flex;
  gap: 14px;
  margin-top: 10px;
}

.plays {
  width: 200px;
}

.ms {
  width: 110px;
}

.levels {
  width: 100%;
  margin-top: 4px;
  border-spacing: 0 4px;
}

.levels td:first-child {
  width: 120px;
}

.pan {
  width: 80px;
}
</style>
