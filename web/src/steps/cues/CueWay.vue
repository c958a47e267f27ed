<script setup lang="ts">
import { NButton, NSwitch } from 'naive-ui'
import { computed } from 'vue'
import { api, type Cue, type CueEars } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useFetched } from '@/desk/fetched'
import { performersShown } from '@/steps/performers/shown'
import { useRig } from '@/desk/rig'
import ChoiceWord from '@/parts/ChoiceWord.vue'
import ClipCount from '@/parts/ClipCount.vue'
import EditableText from '@/parts/EditableText.vue'
import FormRow from '@/parts/FormRow.vue'
import LevelCell from '@/parts/LevelCell.vue'
import LevelLine from '@/parts/LevelLine.vue'
import LitSheet from '@/parts/LitSheet.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import TalkButton from '@/parts/TalkButton.vue'
import AskedFor from './AskedFor.vue'
import BeforeAndAfter from './BeforeAndAfter.vue'
import CueComfort from './CueComfort.vue'
import CueCompressor from './CueCompressor.vue'
import CueFilters from './CueFilters.vue'
import EarReading from './EarReading.vue'
import { outletsShown } from './outlets'
import GuardReading from './GuardReading.vue'
import ProveIt from './ProveIt.vue'
import SaveMix from './SaveMix.vue'

/** What leads a cue to its ears: who listens, the output pair, the cue level, what is left out, the ceiling guard. */
const { cue } = defineProps<{ cue: Cue }>()

const desk = useDesk()

const EARS: { label: string; value: Cue['ears'] }[] = [
  { label: 'stereo', value: 'stereo' },
  { label: 'mono', value: 'mono' },
  { label: 'left ear only', value: 'left-only' },
  { label: 'right ear only', value: 'right-only' },
  { label: 'sides swapped', value: 'swapped' },
]

const pairOptions = computed(() => [
  { label: 'no output pair', value: '' },
  ...desk.offers.pairs.map((pair) => {
    const others = pair.usedBy.filter((name) => name !== cue.name)
    return {
      label: `${pair.houseLabel} · ${pair.panelName}${others.length ? ` · taken by ${others.join(', ')}` : ''}`,
      value: pair.id,
    }
  }),
])
const furtherOptions = computed(() => pairOptions.value.filter((each) => each.value && each.value !== cue.output))
/** Other cues that leave by one of its pairs. */
const shared = computed(() => {
  const pairs = [cue.output, ...cue.furtherOutputs]
  return desk.cues
    .filter((each) => each.id !== cue.id)
    .filter((each) => [each.output, ...each.furtherOutputs].some((pair) => pair && pairs.includes(pair)))
    .map((each) => each.name)
})
const performerOptions = computed(() => desk.performers.map((each) => ({ label: each.name, value: each.id })))
const rig = useRig()
const ears = useFetched<CueEars>(
  () => [cue.id, rig.rig?.revision, desk.notes],
  ({ params }) =>
    api
      .GET('/api/sessions/{session}/cues/{cue}/ears', { params: { path: { ...params.path, cue: cue.id } } })
      .catch(() => ({ data: undefined })),
)
/** Those of whom something is to be read; why nothing is known of the others. */
const told = computed(() => ears.value?.ways.filter((way) => !way.unknown || way.elsewhere) ?? [])
const unknown = computed(
  () => ears.value?.ways.flatMap((way) => (way.unknown && !way.elsewhere ? [way.unknown] : [])) ?? [],
)
const cut = computed(() => desk.live?.cutCues.includes(cue.id) ?? false)
const listening = computed(() => desk.listeningTo === cue.id)

/** What those who hear the cue get by the interface itself. */
const direct = computed(() =>
  desk
    .session!.direct.filter((each) => each.cue === cue.id)
    .map((each) => desk.inputs.find((input) => input.id === each.input)?.source ?? each.input),
)
</script>

<template>
  <aside :aria-label="`Headphones of ${cue.name}`">
    <h2>
      <EditableText
        :text="cue.name"
        label="Name of the cue"
        :set="(name) => desk.edit([{ kind: 'rename-cue', cue: cue.id, name }])"
      />
    </h2>
    <NButton
      block
      :type="listening ? 'primary' : 'default'"
      :disabled="!desk.live || !cue.output"
      @click="desk.listen(listening ? '' : cue.id)"
    >
      {{ listening ? 'Stop listening' : 'Listen in this browser' }}
    </NButton>
    <div v-if="cue.output" class="halves">
      <TalkButton :to="[cue.id]">Talk to them</TalkButton>
      <button
        class="word"
        :class="{ cut }"
        :aria-pressed="cut"
        :disabled="!desk.live"
        title="The headphones of this cue alone; they come back slowly"
        @click="desk.command({ kind: 'cut-headphones', cut: !cut, cue: cue.id })"
      >
        {{ cut ? 'Theirs are cut' : 'Cut theirs' }}
      </button>
    </div>
    <FormRow label="Who listens">
      <NamedSelect
        label="Who listens"
        multiple
        :value="cue.listeners"
        :options="performerOptions"
        @update:value="(listeners: string[]) => desk.edit([{ kind: 'set-cue-listeners', cue: cue.id, listeners }])"
      />
    </FormRow>
    <FormRow label="Output pair">
      <NamedSelect
        label="Output pair"
        :value="cue.output ?? ''"
        :options="pairOptions"
        :consistent-menu-width="false"
        @update:value="(output: string) => desk.edit([{ kind: 'set-cue-output', cue: cue.id, output: output || null }])"
      />
    </FormRow>
    <FormRow v-if="cue.output && furtherOptions.length" label="Also at">
      <NamedSelect
        label="Also at"
        multiple
        :value="cue.furtherOutputs"
        :options="furtherOptions"
        :consistent-menu-width="false"
        placeholder="no other pair"
        @update:value="(outputs: string[]) => desk.edit([{ kind: 'set-cue-further-outputs', cue: cue.id, outputs }])"
      />
    </FormRow>
    <p v-if="shared.length" class="flare">{{ shared.join(', ') }} uses the same pair; both mixes are heard there.</p>
    <p v-if="!cue.output" class="flare">Without an output pair nobody hears this cue. Choose one above.</p>
    <div v-if="desk.live">
      <span class="line">
        <span>What leaves to the headphones</span>
        <ClipCount :name="cue.name" :lights="[`clip/cue/${cue.id}`]" />
      </span>
      <LitSheet><LevelLine :light="`cue/${cue.id}`" :label="`Level of ${cue.name}`" leaving /></LitSheet>
    </div>
    <div>
      Cue level
      <LitSheet>
        <LevelCell
          label="Cue level"
          :light="`cue/${cue.id}`"
          :level="cue.level"
          :set="(level, gesture) => desk.edit([{ kind: 'set-cue-level', cue: cue.id, level }], gesture)"
        />
      </LitSheet>
    </div>
    <button
      class="word steps"
      :aria-pressed="cue.linkedToMain"
      title="Whether the main level moves this mix as well"
      @click="desk.edit([{ kind: 'link-cue-level', cue: cue.id, linked: !cue.linkedToMain }])"
    >
      {{ cue.linkedToMain ? 'Linked to the main level' : 'Link to the main level' }}
    </button>
    <p v-if="cue.linkedToMain" class="flare">The main level moves this mix: it follows the speakers.</p>
    <div v-if="ears?.ways.length">
      <EarReading v-for="way in told" :key="way.performer" :cue="cue.id" :way="way" />
      <p v-if="unknown[0]" class="soft" :title="unknown.join(' ')">
        {{ unknown[0] }}
        <button v-if="ears.ways.some((way) => !way.headphones)" class="word" @click="performersShown = true">
          Say what they wear
        </button>
      </p>
    </div>
    <button class="word steps" @click="outletsShown = true">Step through the outlets</button>
    <AskedFor :cue="cue" />
    <div class="line">
      <span>At the ears</span>
      <ChoiceWord
        class="ears"
        :value="cue.ears"
        :options="EARS"
        label="To which ears it goes"
        @choose="(ears) => desk.edit([{ kind: 'set-cue-ears', cue: cue.id, ears }])"
      />
    </div>
    <CueComfort :cue="cue" />
    <CueFilters :cue="cue" />
    <CueCompressor :cue="cue" />
    <BeforeAndAfter v-if="cue.output && (cue.highPass.on || cue.lowPass.on || cue.compressor.on)" :cue="cue" />
    <div>
      <span class="line">
        <span>Ceiling guard</span>
        <NSwitch
          size="small"
          :value="cue.guarded"
          aria-label="Ceiling guard"
          @update:value="(guarded: boolean) => desk.edit([{ kind: 'set-cue-guard', cue: cue.id, guarded }])"
        />
      </span>
      <GuardReading v-if="cue.guarded && ears" :cue="cue.id" :ceiling="ears.ceiling" />
      <span v-else-if="!cue.guarded" class="flare">Off: a burst reaches the ears at full scale.</span>
      <span v-if="direct.length" class="past flare">Heard direct, past the guard: {{ direct.join(', ') }}.</span>
    </div>
    <ProveIt :cue="cue" />
    <SaveMix :cue="cue" />
    <span class="fill"></span>
    <button class="word remove" @click="desk.edit([{ kind: 'remove-cue', cue: cue.id }])">Remove this cue</button>
  </aside>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}

.word.cut {
  border-color: var(--flare);
  background: var(--flare);
  color: var(--sheet);
}

.past {
  display: block;
}

aside {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow: auto;
  padding: 14px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  background: var(--raised);
}

h2 {
  font-size: 18px;
}

p {
  margin: 0;
}

.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.ears {
  width: 150px;
}

.fill {
  flex: 1;
}

.steps,
.remove {
  align-self: flex-start;
}
</style>
