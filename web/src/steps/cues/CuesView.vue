<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Cue } from '@/api/client'
import { useDesk } from '@/desk/desk'
import LampLight from '@/parts/LampLight.vue'
import LitSheet from '@/parts/LitSheet.vue'
import PerformerMark from '@/parts/PerformerMark.vue'
import AllCues from './AllCues.vue'
import CompareCues from './CompareCues.vue'
import CueMix from './CueMix.vue'
import CuesForPerformers from './CuesForPerformers.vue'
import CueReading from './CueReading.vue'
import CueWay from './CueWay.vue'

const desk = useDesk()
const route = useRoute()
const chosen = ref('')
/** Whether all cues stand beside each other. */
const comparing = ref(false)
const all = ref(false)

/** A way here may name the cue that is wanted. */
watch(
  () => route.query.cue,
  (wanted) => (chosen.value = typeof wanted === 'string' ? wanted : chosen.value),
  { immediate: true },
)

watchEffect(() => {
  if (!desk.cues.some((cue) => cue.id === chosen.value)) chosen.value = desk.cues[0]?.id ?? ''
})

function showOne(id: string) {
  chosen.value = id
  all.value = false
}

const cue = computed(() => desk.cues.find((each) => each.id === chosen.value))
/** From so many cues on they are searched. */
const MANY = 8
const wanted = ref('')
const found = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  const said = (each: Cue) => [each.name, pairsOf(each), ...listeners(each.listeners).map((one) => one.name)].join(' ')
  return word ? desk.cues.filter((each) => said(each).toLowerCase().includes(word)) : desk.cues
})
const listeners = (ids: string[]) => desk.performers.filter((performer) => ids.includes(performer.id))
/** Where a cue leaves, in words. */
const pairsOf = (one: Cue) =>
  [one.output, ...one.furtherOutputs]
    .flatMap((id) => desk.offers.pairs.find((pair) => pair.id === id)?.houseLabel ?? [])
    .join(', ') || 'no output pair yet'
const uncued = computed(() =>
  desk.performers.filter((performer) => !desk.cues.some((each) => each.listeners.includes(performer.id))),
)

const expect = (on: boolean) => (added.value = on ? new Set(desk.cues.map((cue) => cue.id)) : null)

async function add() {
  expect(true)
  const params = { path: { session: desk.session!.id } }
  const body = { name: `Cue ${desk.cues.length + 1}`, listener: null }
  const made = await desk.proposed(() => api.POST('/api/sessions/{session}/cues/new', { params, body }))
  if (!made) expect(false)
}

/** The cues that were there before one was added: the one that comes is shown. */
const added = ref<Set<string> | null>(null)
watch(
  () => desk.cues,
  (cues) => {
    const fresh = added.value && cues.find((cue) => !added.value!.has(cue.id))
    if (!fresh) return
    chosen.value = fresh.id
    added.value = null
  },
)
</script>

<template>
  <section class="step">
    <header>
      <h1>Cues</h1>
      <span class="soft">Headphone mixes. Faders, pan, mute and solo on the speakers do not reach them.</span>
      <span class="fill"></span>
      <input
        v-if="desk.cues.length >= MANY && !all"
        v-model="wanted"
        class="field search"
        type="search"
        aria-label="Search cues"
        placeholder="Name, performer or output"
      />
      <span v-if="desk.cues.length > 1" class="joined" role="group" aria-label="How many mixes are shown">
        <button class="word" :aria-pressed="!all" @click="all = false">one mix</button>
        <button class="word" :aria-pressed="all" @click="all = true">all mixes</button>
      </span>
      <NButton v-if="all && desk.cues.length > 1" size="small" @click="comparing = true">Compare two</NButton>
      <CuesForPerformers v-if="uncued.length" :performers="uncued" @adding="expect" />
      <NButton size="small" :type="uncued.length ? 'default' : 'primary'" @click="add">Add cue</NButton>
    </header>

    <CompareCues v-if="comparing" v-model:shown="comparing" />
    <AllCues v-if="all && desk.cues.length > 1" @show="showOne" />
    <LitSheet v-else above
      ><div class="cues" role="tablist" aria-label="Cues">
        <button
          v-for="each in found"
          :key="each.id"
          class="cue"
          role="tab"
          :aria-selected="each.id === chosen"
          @click="chosen = each.id"
        >
          <span class="marks"
            ><PerformerMark
              v-for="performer in listeners(each.listeners)"
              :key="performer.id"
              :performer="performer"
              :of="desk.performers"
          /></span>
          <span>
            <strong>{{ each.name }}</strong>
            <span class="soft out">{{ pairsOf(each) }}</span>
          </span>
          <span v-if="each.linkedToMain" class="soft">linked to main</span>
          <strong v-if="desk.live?.cutCues.includes(each.id)" class="flare">cut</strong>
          <LampLight :light="`cue/${each.id}`" />
          <CueReading v-if="desk.live" :cue="each.id" />
        </button></div
    ></LitSheet>

    <p v-if="!all && wanted && !found.length" class="soft">
      No cue has "{{ wanted }}" in its name, performers or outputs.
    </p>
    <p v-if="!cue" class="soft empty">No cue yet. Add one; it starts silent, with its ceiling guard on.</p>
    <div v-else-if="!all || desk.cues.length < 2" class="mix">
      <CueMix :key="cue.id" :cue="cue" />
      <CueWay :key="cue.id" :cue="cue" />
    </div>
  </section>
</template>

<style scoped>
.search {
  flex: 0 1 210px;
  min-width: 120px;
}

/* However many cues there are, the mix below keeps the room. */
.cues {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  max-height: 22vh;
  overflow: auto;
}

.cue {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 7px 14px 7px 10px;
  border: 1px solid var(--rule-strong);
  border-radius: 22px;
  background: var(--sheet);
  cursor: pointer;
  text-align: left;
}

.cue[aria-selected='true'] {
  border-color: var(--lantern);
  box-shadow: 0 0 0 3px var(--glow-weak);
}

.marks {
  display: flex;
}

.out {
  display: block;
  font-size: 12px;
}

.mix {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 276px;
  gap: 16px;
  min-height: 0;
  flex: 1;
}

@media (max-width: 820px) {
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
