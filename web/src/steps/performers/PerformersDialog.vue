<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref } from 'vue'
import { api, type HeadphoneChoices, type Headphones, type Performer } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useFetched } from '@/desk/fetched'
import { useLimits } from '@/desk/limits'
import { trying } from '@/desk/notice'
import { ask } from '@/desk/question'
import { useRig } from '@/desk/rig'
import { useTiming } from '@/desk/timing'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import DialogCard from '@/parts/DialogCard.vue'
import EditableText from '@/parts/EditableText.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import PerformerMark from '@/parts/PerformerMark.vue'
import { useBusy } from '@/parts/useBusy'
import { performersShown } from './shown'
import OwnHeadphones from './OwnHeadphones.vue'
import PlaysSelect from './PlaysSelect.vue'

/** Who plays: how they are called, what they play, where, and what they hear by. */
const desk = useDesk()
const limits = useLimits()
const sheet = useTiming()
const name = ref('')
const place = ref('')
const { busy, run } = useBusy()
onBeforeUnmount(() => (performersShown.value = false))

const rig = useRig()
const choices = useFetched<HeadphoneChoices>(
  () => [rig.rig?.revision],
  (at) => api.GET('/api/sessions/{session}/headphones', at),
)
const NOT_KNOWN = ''
const OTHERS = '…'
/** Whose headphones are being described. */
const describing = ref('')
const wornBy = (performer: Performer) => desk.session!.worn.find((each) => each.performer === performer.id)
const outlets = computed(() => [
  { label: 'not known', value: NOT_KNOWN },
  ...(choices.value?.outlets ?? []).map(({ port, label }) => ({ label, value: port })),
])
/** Those of the shelf, and what they wear if that is none of it. */
function headphones(performer: Performer): Headphones[] {
  const shelf = choices.value?.shelf ?? []
  const own = wornBy(performer)?.headphones
  return own && !shelf.some((each) => each.name === own.name) ? [own, ...shelf] : shelf
}
const put = (performer: Performer, named: string) =>
  desk.edit([
    {
      kind: 'set-headphones',
      performer: performer.id,
      headphones: headphones(performer).find((each) => each.name === named) ?? null,
    },
  ])

/** All wear the same, as one change. */
function putOnAll(named: string) {
  const worn = choices.value!.shelf.find((each) => each.name === named)!
  return desk.edit(
    desk.performers.map(({ id }) => ({ kind: 'set-headphones' as const, performer: id, headphones: worn })),
  )
}

const inputsOf = (performer: Performer) => desk.inputs.filter((input) => input.performer === performer.id)
const cuesOf = (performer: Performer) => desk.cues.filter((cue) => cue.listeners.includes(performer.id))
const pairName = (pair: string | null) => desk.offers.pairs.find((each) => each.id === pair)?.houseLabel ?? 'no output'

function hears(performer: Performer) {
  const by = performer.metres > 0 ? `a speaker ${performer.metres} m away` : 'headphones'
  const cues = cuesOf(performer).map((cue) => `${cue.name} at ${pairName(cue.output)}`)
  return cues.length ? `${cues.join(', ')}, by ${by}` : ''
}

const add = () =>
  run(() =>
    trying(async () => {
      if (!name.value.trim()) return
      const performer = await desk.freshId('performer', name.value)
      const wanted = { performer, name: name.value.trim(), place: place.value.trim() }
      if (await desk.edit([{ kind: 'add-performer', ...wanted }])) name.value = place.value = ''
    }),
  )

async function remove(performer: Performer) {
  const plays = inputsOf(performer).length
  const cues = cuesOf(performer).length
  const sentence =
    `${plays === 1 ? 'One input is' : `${plays} inputs are`} played by nobody then, and ` +
    `${cues === 1 ? 'one cue has' : `${cues} cues have`} a listener less. It can be undone.`
  if (plays + cues > 0 && !(await ask({ title: `Remove ${performer.name}?`, sentence, yes: 'Remove' }))) return
  await desk.edit([{ kind: 'remove-performer', performer: performer.id }])
}
</script>

<template>
  <DialogCard v-model:show="performersShown" title="Performers" :width="1120">
    <div class="sheet">
      <table aria-label="Performers">
        <thead>
          <tr>
            <td style="width: 40px"></td>
            <th style="width: 130px">Name</th>
            <th style="width: 150px">Plays</th>
            <th style="width: 140px">Where</th>
            <th>Hears</th>
            <th style="width: 180px">
              Headphones
              <ChoiceWord
                v-if="desk.performers.length > 1"
                label="Headphones of all"
                value=""
                :options="[
                  { label: 'all wear…', value: '' },
                  ...(choices?.shelf ?? []).map(({ name }) => ({ label: name, value: name })),
                ]"
                @choose="putOnAll"
              />
            </th>
            <th style="width: 172px">plugged in at</th>
            <td style="width: 74px"></td>
          </tr>
        </thead>
        <tbody>
          <template v-for="performer in desk.performers" :key="performer.id">
            <tr :data-row="performer.id">
              <td><PerformerMark :performer="performer" :of="desk.performers" /></td>
              <td class="strong">
                <EditableText
                  :text="performer.name"
                  :label="`Name of ${performer.name}`"
                  :set="(to) => desk.edit([{ kind: 'rename-performer', performer: performer.id, name: to }])"
                />
              </td>
              <td><PlaysSelect v-if="sheet" :performer="performer" :sheet="sheet" /></td>
              <td>
                <EditableText
                  :text="performer.place"
                  empty="say where"
                  :label="`Where ${performer.name} is`"
                  :set="(to) => desk.edit([{ kind: 'set-performer-place', performer: performer.id, place: to }])"
                />
              </td>
              <td :class="hears(performer) ? 'soft' : 'flare'">{{ hears(performer) || 'no cue' }}</td>
              <td>
                <NamedSelect
                  :value="wornBy(performer)?.headphones?.name ?? NOT_KNOWN"
                  :options="[
                    { label: 'not known', value: NOT_KNOWN },
                    { label: 'others…', value: OTHERS },
                    ...headphones(performer).map((each) => ({ label: each.name, value: each.name })),
                  ]"
                  :label="`Headphones of ${performer.name}`"
                  @update:value="
                    (named: string) => (named === OTHERS ? (describing = performer.id) : put(performer, named))
                  "
                />
              </td>
              <td>
                <NamedSelect
                  :value="wornBy(performer)?.outlet ?? NOT_KNOWN"
                  :options="outlets"
                  :label="`Outlet of ${performer.name}`"
                  @update:value="
                    (outlet: string) =>
                      desk.edit([{ kind: 'set-outlet', performer: performer.id, outlet: outlet || null }])
                  "
                />
              </td>
              <td>
                <button class="word" :aria-label="`Remove ${performer.name}`" @click="remove(performer)">remove</button>
              </td>
            </tr>
            <tr v-if="describing === performer.id">
              <td></td>
              <td colspan="7">
                <OwnHeadphones
                  :performer="performer"
                  :worn="wornBy(performer)?.headphones ?? null"
                  @done="describing = ''"
                />
              </td>
            </tr>
          </template>
          <tr>
            <td></td>
            <td>
              <input
                v-model="name"
                class="field"
                aria-label="Name of another performer"
                placeholder="another performer"
                :maxlength="limits?.textLength"
                @keydown.enter="add"
              />
            </td>
            <td></td>
            <td>
              <input
                v-model="place"
                class="field"
                aria-label="Where they are"
                placeholder="where"
                :maxlength="limits?.textLength"
                @keydown.enter="add"
              />
            </td>
            <td colspan="4">
              <NButton size="small" :loading="busy" :disabled="!name.trim()" @click="add">Add</NButton>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="choices" class="most">
      At any ear a sine reaches
      <NumberBox
        class="spl"
        label="The most at any ear"
        unit="dB SPL"
        :value="choices.earMaximum"
        :range="limits?.earMaximumSpl"
        :set="(spl) => desk.edit([{ kind: 'set-ear-maximum', spl }])"
      />
      at most. The ceiling guards see to it where headphones and amp are known.
    </p>
    <p class="soft">
      What they hear is set under Cues; how far a speaker is from their ears, under Monitoring; what a headphone amp
      does to the level, under Rig.
    </p>
  </DialogCard>
</template>

<style scoped>
.sheet {
  max-height: 60vh;
}

table {
  table-layout: fixed;
}

td {
  white-space: normal;
}

.most {
  display: flex;
  align-items: center;
  gap: 6px;
}

.spl {
  width: 108px;
}

.strong {
  font-weight: 600;
}

.field {
  width: 100%;
}
</style>
