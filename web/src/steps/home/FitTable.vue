<script setup lang="ts">
import { ref } from 'vue'
import type { FitLine, FitSheet } from '@/api/client'
import ChoiceList from '@/parts/ChoiceList.vue'

/** Line by line where each input and cue goes on a rig, and why; each can be changed by hand. */
const { sheet } = defineProps<{ sheet: FitSheet }>()
const emit = defineEmits<{ choose: [line: FitLine, ports: string[], pair: string | null] }>()

const NOWHERE = 'nowhere'

/** The line whose place is being chosen. */
const choosing = ref('')

const key = (ports: string[]) => ports.join(' ')
/** What tells lines apart: one is of an input or of a cue. */
const named = (line: FitLine) => `${line.input ?? ''} ${line.cue ?? ''}`

function options(line: FitLine, at: number) {
  const places = line.input
    ? sheet.places
        .filter((place) => place.ports.length === sheet.widths[at])
        .map((place) => ({ label: label(line, place.houseLabel, place.usedBy), value: key(place.ports) }))
    : sheet.pairs.map((pair) => ({ label: label(line, pair.houseLabel, pair.usedBy), value: pair.id }))
  return [{ label: 'no place', value: NOWHERE }, ...places]
}

/** What a place is called, and by what else it is taken. */
function label(line: FitLine, name: string, usedBy: string[]) {
  const others = usedBy.filter((each) => each !== line.name && `Cue ${each}` !== line.name)
  return others.length ? `${name}, taken by ${others.join(', ')}` : name
}

/** Where the edits of a line take it. */
function chosen(line: FitLine): string {
  const edit = line.edits[0]
  if (edit?.kind === 'patch-input') return key(edit.ports) || NOWHERE
  if (edit?.kind === 'set-cue-output') return edit.output ?? NOWHERE
  return NOWHERE
}

function choose(line: FitLine, value: string) {
  choosing.value = ''
  const ports = value === NOWHERE ? [] : value.split(' ')
  emit('choose', line, ports, value === NOWHERE ? null : value)
}
</script>

<template>
  <div class="sheet fits" tabindex="0" role="region" aria-label="Inputs and cues">
    <table aria-label="Where everything goes">
      <thead>
        <tr>
          <th>Input or cue</th>
          <th>Was at</th>
          <th style="width: 240px">Goes to</th>
          <th>Because</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, at) in sheet.lines" :key="named(line)">
          <td class="strong">{{ line.name }}</td>
          <td class="soft">{{ line.from || 'nowhere yet' }}</td>
          <td>
            <ChoiceList
              v-if="choosing === named(line)"
              :value="chosen(line)"
              :options="options(line, at)"
              :label="`Where ${line.name} goes`"
              @choose="(value: string) => choose(line, value)"
              @close="choosing = ''"
            />
            <button
              v-else
              type="button"
              class="plain to"
              title="Choose another place"
              :aria-label="`Where ${line.name} goes: ${line.to || 'no place'}`"
              @click="choosing = named(line)"
            >
              <span :class="{ flare: !line.to }">{{ line.to || 'no place' }}</span>
            </button>
          </td>
          <td :class="line.to ? 'soft' : 'flare'">{{ line.why }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.fits {
  max-height: 48vh;
}

.fits td {
  white-space: normal;
}

.to {
  width: 100%;
  text-decoration: underline dotted var(--sea);
  text-underline-offset: 3px;
}

.strong {
  font-weight: 600;
}
</style>
