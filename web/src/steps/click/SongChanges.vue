<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, h, ref } from 'vue'
import type { Edit, SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { signature } from '@/desk/bars'
import EditableText from '@/parts/EditableText.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NoteSign from '@/parts/NoteSign.vue'
import { NOTES, noteWord, type Note } from '@/parts/notes'
import NumberBox from '@/parts/NumberBox.vue'

/** What changes in the song, bar by bar: parts, time signatures, tempos. */
const { song } = defineProps<{ song: SongOutline }>()

const desk = useDesk()
const bar = ref<number | null>(9)

type Tempo = SongOutline['tempos'][number]

const UNITS = (Object.keys(NOTES) as Note[]).map((value) => ({ label: noteWord(value), value }))

/** In the list a note stands behind its word; once chosen it stands alone. */
const listed = ({ value }: { value?: unknown }) =>
  h('span', [noteWord(value as Note), ' ', h(NoteSign, { note: value as Note })])
const chosen = ({ option }: { option: { value?: unknown } }) => h(NoteSign, { note: option.value as Note })

/** A row for each place at which something begins. */
const rows = computed(() => {
  const places = new Map<string, { bar: number; beat: number }>()
  const add = (at: number, beat: number) => places.set(`${at}/${beat}`, { bar: at, beat })
  song.parts.forEach((part) => add(part.bar, 1))
  song.meters.forEach((meter) => add(meter.bar, 1))
  song.tempos.forEach((tempo) => add(tempo.bar, tempo.beat))
  return [...places.values()]
    .sort((a, b) => a.bar - b.bar || a.beat - b.beat)
    .map(({ bar: at, beat }) => ({
      bar: at,
      beat,
      part: beat === 1 ? song.parts.find((part) => part.bar === at) : undefined,
      meter: beat === 1 ? song.meters.find((meter) => meter.bar === at) : undefined,
      tempo: song.tempos.find((tempo) => tempo.bar === at && tempo.beat === beat),
      last: song.tempos.at(-1)?.bar === at && song.tempos.at(-1)?.beat === beat,
    }))
})

function tempo(from: Tempo, other: Partial<Tempo>) {
  const { bar: at, beat, beatsPerMinute, unit, rampToNext } = { ...from, ...other }
  return desk.edit([{ kind: 'set-tempo', bar: at, beat, beatsPerMinute, unit, rampToNext }])
}

async function typedTempo(from: Tempo, text: string) {
  const beatsPerMinute = Number(text.replace(',', '.'))
  if (!Number.isFinite(beatsPerMinute)) return tell(`"${text}" is no tempo. Type a number of beats a minute.`)
  return tempo(from, { beatsPerMinute })
}

async function typedMeter(at: number, text: string) {
  const [, beats, noteValue, feltIn] = /^\s*(\d+)\s*\/\s*(\d+)(?:\s+in\s+(\d+))?\s*$/.exec(text) ?? []
  if (!beats || !noteValue) return tell(`"${text}" is no time signature. Type it as 6/8, or 6/8 in 2.`)
  const felt = feltIn ? Number(feltIn) : null
  return desk.edit([{ kind: 'set-meter', bar: at, beats: Number(beats), noteValue: Number(noteValue), feltIn: felt }])
}

const rename = (part: SongOutline['parts'][number], name: string) =>
  desk.edit([{ kind: 'set-marker', marker: part.marker, name, bar: part.bar }])

/** What holds at a bar, to begin with there. */
const before = <T extends { bar: number }>(all: T[], at: number) => all.filter((each) => each.bar <= at).at(-1)

/** Whether something begins at the bar already: it is changed in its row. */
const begins = (all: { bar: number; beat?: number }[]) =>
  all.some((each) => each.bar === bar.value && (each.beat ?? 1) === 1)

const addPart = () => desk.edit([{ kind: 'add-part', bar: bar.value! }])

function addMeter() {
  const { beats, noteValue, feltIn } = before(song.meters, bar.value!) ?? song.meters[0]!
  return desk.edit([{ kind: 'set-meter', bar: bar.value!, beats, noteValue, feltIn }])
}

function addTempo() {
  const there = before(song.tempos, bar.value!) ?? song.tempos[0]!
  return tempo(there, { bar: bar.value!, beat: 1, rampToNext: false })
}

const remove = (edit: Edit) => desk.edit([edit])
</script>

<template>
  <div>
    <h2>The song, bar by bar</h2>
    <table class="set-up" aria-label="The song, bar by bar">
      <thead>
        <tr>
          <th style="width: 74px">from bar</th>
          <th>part</th>
          <th style="width: 88px">time sig.</th>
          <th style="width: 160px">tempo</th>
          <td style="width: 74px"></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="`${row.bar}/${row.beat}`">
          <td>{{ row.bar }}{{ row.beat === 1 ? '' : ` · ${Number(row.beat.toFixed(2))}` }}</td>
          <td>
            <span v-if="row.part" class="with">
              <EditableText
                :text="row.part.name"
                :label="`Part at bar ${row.bar}`"
                :set="(name) => rename(row.part!, name)"
              />
              <button
                class="plain"
                :aria-label="`Remove part ${row.part.name}`"
                @click="remove({ kind: 'remove-marker', marker: row.part.marker })"
              >
                ×
              </button>
            </span>
          </td>
          <td>
            <span v-if="row.meter" class="with">
              <EditableText
                :text="signature(row.meter)"
                :label="`Time signature at bar ${row.bar}`"
                :set="(text) => typedMeter(row.bar, text)"
              />
              <button
                v-if="row.bar > 1"
                class="plain"
                :aria-label="`Remove the time signature at bar ${row.bar}`"
                @click="remove({ kind: 'remove-meter', bar: row.bar })"
              >
                ×
              </button>
            </span>
          </td>
          <td>
            <span v-if="row.tempo" class="with">
              <EditableText
                :text="String(row.tempo.beatsPerMinute)"
                :label="`Tempo at bar ${row.bar}`"
                :set="(text) => typedTempo(row.tempo!, text)"
              />
              <NamedSelect
                size="tiny"
                class="unit"
                :value="row.tempo.unit"
                :options="UNITS"
                :render-label="listed"
                :render-tag="chosen"
                :consistent-menu-width="false"
                :label="`Note that the tempo at bar ${row.bar} counts`"
                @update:value="(unit: Tempo['unit']) => tempo(row.tempo!, { unit })"
              />
              <button
                v-if="row.bar > 1 || row.beat > 1"
                class="plain"
                :aria-label="`Remove the tempo at bar ${row.bar}`"
                @click="remove({ kind: 'remove-tempo', bar: row.bar, beat: row.beat })"
              >
                ×
              </button>
            </span>
          </td>
          <td>
            <button
              v-if="row.tempo && !row.last"
              class="word"
              :aria-pressed="row.tempo.rampToNext"
              :aria-label="`Glide from the tempo at bar ${row.bar} to the next`"
              title="Glides evenly to the next tempo, beat by beat"
              @click="tempo(row.tempo, { rampToNext: !row.tempo.rampToNext })"
            >
              glide
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="add">
      <span>At bar</span>
      <NumberBox
        class="bar"
        label="Bar at which something begins"
        :value="bar"
        :min="1"
        :set="(at) => (bar = at)"
        :optional="() => (bar = null)"
      />
      <span>begins another</span>
      <NButton size="small" :disabled="!bar || begins(song.parts)" @click="addPart">part</NButton>
      <NButton size="small" :disabled="!bar || begins(song.meters)" @click="addMeter">time signature</NButton>
      <NButton size="small" :disabled="!bar || begins(song.tempos)" @click="addTempo">tempo</NButton>
    </div>
  </div>
</template>

<style scoped>
h2 {
  font-size: 16px;
}

.with {
  display: flex;
  align-items: center;
  gap: 6px;
}

.with :deep(.plain) {
  white-space: nowrap;
}

.with .plain {
  color: var(--soft);
}

.unit {
  width: 66px;
}

.add {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 8px;
}

.bar {
  width: 70px;
}
</style>
