<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, reactive, watch } from 'vue'
import { api, type Port } from '@/api/client'
import { useRig } from '@/desk/rig'
import DialogCard from '@/parts/DialogCard.vue'

/** What the chosen ports can do, all alike: what they take, +48 V and its banks, pad, gain. */
const shown = defineModel<boolean>('shown', { required: true })
const { ports } = defineProps<{ ports: Port[] }>()

const store = useRig()

type Signal = Port['takes'][number]
const SIGNALS: Signal[] = ['mic', 'line', 'instrument', 'digital']
const PHANTOM = [
  { label: 'none', value: 0 },
  { label: 'a switch each', value: 1 },
  { label: 'banks of 2', value: 2 },
  { label: 'banks of 4', value: 4 },
  { label: 'banks of 8', value: 8 },
  { label: 'one switch for all', value: 256 },
]

type Link = NonNullable<Port['link']>['link']
const LINKS: { label: string; value: Link | '' }[] = [
  { label: 'none, an analog socket', value: '' },
  { label: 'optical, 8 channels', value: 'optical' },
  { label: 'coaxial, 2 channels', value: 'coaxial' },
  { label: 'MADI, 64 channels', value: 'madi' },
]

const facts = reactive({
  link: '' as Link | '',
  takes: [] as Signal[],
  phantom: 0,
  pad: '0',
  least: '0',
  most: '0',
  step: '0',
  remote: true,
})
const named = computed(() =>
  ports.length === 1 ? ports[0]!.houseLabel : `${ports[0]?.houseLabel} to ${ports.at(-1)?.houseLabel}`,
)

watch(shown, (now) => {
  const first = ports[0]
  if (!now || !first) return
  const bank = ports.filter((port) => port.bank && port.bank === first.bank).length
  Object.assign(facts, {
    takes: [...first.takes],
    phantom: first.phantom ? (PHANTOM.find((each) => each.value === Math.max(1, bank))?.value ?? 1) : 0,
    pad: String(first.padDb),
    least: String(first.gain.minDb),
    most: String(first.gain.maxDb),
    step: String(first.gain.stepDb),
    remote: first.remote,
    link: first.link?.link ?? '',
  })
})

function toggle(signal: Signal) {
  facts.takes = facts.takes.includes(signal) ? facts.takes.filter((each) => each !== signal) : [...facts.takes, signal]
}

const number = (text: string) => Number(text.replace(',', '.').replace('−', '-')) || 0

async function accept() {
  const body = {
    ports: ports.map((port) => port.id),
    alike: {
      takes: facts.takes,
      phantomBank: facts.phantom,
      padDb: number(facts.pad),
      gain: { minDb: number(facts.least), maxDb: number(facts.most), stepDb: number(facts.step) },
      remote: facts.remote,
      link: facts.link || null,
    },
  }
  if (await store.proposed(() => api.POST('/api/rigs/{rig}/abilities', { ...store.at, body }))) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" :title="`What ${named} can do`" :width="520">
    <div class="form">
      <div class="line">
        <span>Accepts</span>
        <button
          v-for="signal in SIGNALS"
          :key="signal"
          class="word"
          :aria-pressed="facts.takes.includes(signal)"
          @click="toggle(signal)"
        >
          {{ signal }}
        </button>
      </div>
      <div v-if="facts.takes.includes('digital')" class="line">
        <span>Link</span>
        <NSelect
          v-model:value="facts.link"
          size="small"
          :options="LINKS"
          :input-props="{ 'aria-label': 'Digital link' }"
          aria-label="Digital link"
        />
      </div>
      <div class="line">
        <span>+48 V</span>
        <NSelect
          v-model:value="facts.phantom"
          size="small"
          :options="PHANTOM"
          :input-props="{ 'aria-label': '+48 V' }"
          aria-label="+48 V"
        />
      </div>
      <div class="line">
        <span>Gain</span>
        <input v-model="facts.least" class="field" aria-label="Least gain in dB" /> to
        <input v-model="facts.most" class="field" aria-label="Most gain in dB" /> dB in steps of
        <input v-model="facts.step" class="field" aria-label="Step of gain in dB" /> dB, 0 for none
      </div>
      <div class="line">
        <span>Pad</span>
        <input v-model="facts.pad" class="field" aria-label="Pad in dB" /> dB, 0 for none
      </div>
      <div class="line">
        <span>Set</span>
        <button class="word" :aria-pressed="facts.remote" @click="facts.remote = true">by this program</button>
        <button class="word" :aria-pressed="!facts.remote" @click="facts.remote = false">by hand only</button>
      </div>
    </div>
    <template #footer>
      <div class="foot">
        <NButton @click="shown = false">Cancel</NButton>
        <NButton type="primary" :disabled="facts.takes.length === 0" @click="accept">Save</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
.form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line > span:first-child {
  width: 52px;
}

.field {
  width: 52px;
  text-align: right;
}

.foot {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
