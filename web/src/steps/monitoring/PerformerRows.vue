<script setup lang="ts">
import { computed } from 'vue'
import { api, type Edit, type PerformerTiming, type TimingSheet } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { choose } from '@/desk/question'
import PerformerMark from '@/parts/PerformerMark.vue'
import DelayBar from './DelayBar.vue'
import { later, ms, totalMs, wrong } from './words'

/** A row a performer: by which way they hear themselves, how late, and whether that is in time. */
const { sheet, previewed } = defineProps<{
  sheet: TimingSheet
  /** The buffer that is pointed at; null for the one that is set. */
  previewed: number | null
}>()
const selected = defineModel<string>('selected', { required: true })

const desk = useDesk()

const rows = computed(() =>
  sheet.performers.flatMap((timing) => {
    const performer = desk.performers.find((each) => each.id === timing.performer)
    return performer ? [{ timing, performer, would: would(timing) }] : []
  }),
)
const choice = computed(() => sheet.buffers.choices.find((each) => each.bufferFrames === previewed))
const would = (timing: PerformerTiming) => choice.value?.performers.find((each) => each.performer === timing.performer)

/** All bars have one scale: the longest delay or tolerance, and some room. */
const scaleMs = computed(
  () => 1.08 * Math.max(5, ...sheet.performers.flatMap((each) => [each.toleranceMs, ...bars(each).map(totalMs)])),
)
const bars = (timing: PerformerTiming) => [timing.direct, timing.engine].filter((each) => each !== null)

interface Ways {
  direct: boolean
  engine: boolean
}

/** The edits that let somebody hear themselves so. What both ways at once do to a sound is said before anybody hears it. */
async function edits({ performer }: PerformerTiming, name: string, wanted: Ways, instead: Ways): Promise<Edit[]> {
  const params = { path: { session: desk.session!.id } }
  const proposed = async (ways: Ways) =>
    (await api.POST('/api/sessions/{session}/ways', { params, body: { performer, ...ways } })).data!
  const { edits, twice } = await proposed(wanted)
  if (!twice) return edits
  const chosen = await choose({
    title: `${name} would be heard twice`,
    sentence: twice,
    yes: 'Hear both',
    instead: instead.direct ? 'Direct only' : 'Through the engine only',
  })
  return chosen === 'yes' ? edits : chosen === 'instead' ? (await proposed(instead)).edits : []
}

function hear(timing: PerformerTiming, name: string, pressed: 'direct' | 'engine') {
  const wanted = { direct: timing.direct !== null, engine: timing.engine !== null }
  wanted[pressed] = !wanted[pressed]
  const instead = { direct: pressed === 'direct', engine: pressed === 'engine' }
  return desk.proposed(async () => ({ data: { edits: await edits(timing, name, wanted, instead) } }))
}

function move(event: KeyboardEvent, by: number) {
  const at = rows.value.findIndex((row) => row.performer.id === selected.value)
  const next = rows.value[at + by]
  if (!next) return
  event.preventDefault()
  selected.value = next.performer.id
}
</script>

<template>
  <div
    class="sheet"
    tabindex="0"
    role="region"
    aria-label="Performers"
    @keydown.down="move($event, 1)"
    @keydown.up="move($event, -1)"
  >
    <table aria-label="How late performers hear themselves">
      <thead>
        <tr>
          <th style="width: 150px">Performer</th>
          <th style="width: 132px">Hears themselves</th>
          <th>
            <span class="legend">
              <i class="converter"></i>converter <i class="driver"></i>driver <i class="buffer"></i>buffer
              <i class="guard"></i>processing <i class="unreported"></i>not reported <i class="mark"></i>tolerates
            </span>
          </th>
          <th class="number" style="width: 86px">In all</th>
          <td style="width: 190px"></td>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="{ timing, performer, would: at } in rows"
          :key="performer.id"
          :data-row="performer.id"
          :class="{ selected: performer.id === selected }"
          @click="selected = performer.id"
        >
          <td>
            <button class="plain who" :aria-pressed="performer.id === selected" :aria-label="`Show ${performer.name}`">
              <PerformerMark :performer="performer" :of="desk.performers" /><strong>{{ performer.name }}</strong>
            </button>
          </td>
          <td class="ways">
            <button
              class="word"
              :aria-pressed="timing.direct !== null"
              :aria-label="`${performer.name} direct`"
              :disabled="!timing.direct && timing.directOffered !== ''"
              :title="timing.directOffered || 'Straight through the interface: a millisecond or two, no guard'"
              @click.stop="hear(timing, performer.name, 'direct')"
            >
              direct
            </button>
            <button
              class="word"
              :aria-pressed="timing.engine !== null"
              :aria-label="`${performer.name} through the engine`"
              title="Through the engine: all the mix, some delay"
              @click.stop="hear(timing, performer.name, 'engine')"
            >
              engine
            </button>
          </td>
          <td>
            <DelayBar
              v-for="(delay, way) in bars(timing)"
              :key="way"
              :class="{ second: way > 0 }"
              :delay="delay"
              :tolerance-ms="timing.toleranceMs"
              :scale-ms="scaleMs"
              :label="`${performer.name} ${delay === timing.direct ? 'direct' : 'through the engine'}`"
            />
          </td>
          <td class="number">
            <strong v-if="at?.ms">{{ ms(at.ms) }}</strong>
            <strong v-else-if="later(timing)">{{ ms(totalMs(later(timing)!)) }}</strong>
          </td>
          <td :class="{ flare: wrong(at ?? timing), soft: !wrong(at ?? timing) }">
            {{ (at ?? timing).words }}
            <span v-if="at && previewed !== sheet.bufferFrames" class="soft"> at {{ previewed }}</span>
          </td>
        </tr>
        <tr v-if="rows.length === 0">
          <td colspan="5" class="soft">Nobody plays yet. Performers are named in the input list.</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.sheet td {
  height: 40px;
}

tbody tr {
  cursor: pointer;
}

.selected td {
  background: var(--glow-weak);
}

.who {
  display: flex;
  align-items: center;
  gap: 10px;
}

.ways .word + .word {
  margin-left: 6px;
}

.second {
  margin-top: 3px;
}

.legend {
  display: flex;
  align-items: center;
  gap: 5px;
  overflow: hidden;
}

.legend i {
  flex: none;
  width: 9px;
  height: 9px;
  margin-left: 7px;
  border-radius: 2px;
  background: var(--faint);
}

.legend i:first-child {
  margin-left: 0;
}

.legend .driver {
  background: var(--rule-strong);
}

.legend .buffer {
  background: var(--sea);
}

.legend .guard {
  background: var(--glow);
}

.legend .unreported {
  background: repeating-linear-gradient(45deg, var(--flare) 0 2px, transparent 2px 5px);
}

.legend .mark {
  width: 0;
  border-left: 2px dotted var(--ink);
  border-radius: 0;
  background: none;
}
</style>
