<script setup lang="ts">
import { NDropdown, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { FarEnd, Pair, Port } from '@/api/client'
import { trying } from '@/desk/notice'
import { useRig } from '@/desk/rig'
import ChoiceList from '@/parts/ChoiceList.vue'
import EditableText from '@/parts/EditableText.vue'
import TieChoice from './TieChoice.vue'

/** What goes out: a device's pairs of outputs with what they feed, then the outputs that are in no pair. */
const { device } = defineProps<{ device: string }>()

const store = useRig()

const FEEDS: { label: string; value: Pair['feeds'] }[] = [
  { label: 'main speakers', value: 'main-speakers' },
  { label: 'second speakers', value: 'second-speakers' },
  { label: 'headphones', value: 'headphones' },
  { label: 'my headphones', value: 'engineer' },
  { label: 'room speaker', value: 'room-speaker' },
  { label: 'no use', value: 'nothing' },
]

const outputs = computed(() => store.portsOf(device, 'out').filter((port) => !port.hidden))
const pairs = computed(() => store.rig!.pairs.filter((pair) => outputs.value.some((port) => port.id === pair.left)))
const single = computed(() => outputs.value.filter((port) => !store.pairOf(port.id)))
/** What an output can be paired with: any other that is alone, those after it first. */
const partners = (port: Port) =>
  [...single.value]
    .filter((each) => each.id !== port.id)
    .sort((one, other) => Number(one.number < port.number) - Number(other.number < port.number))
    .map((each) => ({ label: `with ${each.houseLabel}`, key: each.id }))

const tying = ref('')
const offered = ref<FarEnd[]>([])

async function chooseFor(pair: Pair) {
  if (await trying(async () => (offered.value = await store.farEndsOfPair(pair.id)))) tying.value = pair.id
}

function tie(chosen: number) {
  tying.value = ''
  return store.edit(offered.value[chosen]!.edits)
}

/** "Line out 3, 4 to Bell, 3 and 4". */
function words(pair: Pair) {
  const { panelName = '', goesTo = '' } = store.paired.get(pair.id) ?? {}
  return `${panelName}${goesTo ? ` to ${goesTo}` : ', not tied'}`
}
</script>

<template>
  <table aria-label="What goes out">
    <tbody>
      <tr v-for="pair in pairs" :key="pair.id" :data-row="pair.left">
        <td colspan="3">
          <div class="pair">
            <span class="strong">
              <EditableText
                :text="pair.houseLabel"
                :label="`House label of ${store.paired.get(pair.id)?.panelName}`"
                column
                :set="(houseLabel) => store.edit([{ kind: 'label-pair', pair: pair.id, houseLabel }])"
              />
            </span>
            <button
              class="word"
              :aria-label="`Unpair ${pair.houseLabel}`"
              @click="store.edit([{ kind: 'unpair-ports', pair: pair.id }])"
            >
              unpair
            </button>
            <ChoiceList
              v-if="tying === pair.id"
              :value="offered.findIndex((each) => each.chosen)"
              :options="offered.map(({ label }, value) => ({ label, value }))"
              :label="`What ${pair.houseLabel} is tied to`"
              @choose="tie"
              @close="tying = ''"
            />
            <button
              v-else
              class="plain soft small"
              :title="`Choose what ${pair.houseLabel} is tied to`"
              @click="chooseFor(pair)"
            >
              {{ words(pair) }}
            </button>
            <NSelect
              size="tiny"
              :value="pair.feeds"
              :options="FEEDS"
              :input-props="{ 'aria-label': `What ${pair.houseLabel} feeds` }"
              :aria-label="`What ${pair.houseLabel} feeds`"
              :consistent-menu-width="false"
              @update:value="(feeds: Pair['feeds']) => store.edit([{ kind: 'set-pair-feeds', pair: pair.id, feeds }])"
            />
          </div>
        </td>
      </tr>
      <tr v-for="port in single" :key="port.id" :data-row="port.id">
        <td>
          <span class="strong">
            <EditableText
              :text="port.houseLabel"
              :label="`House label of ${port.panelName}`"
              column
              :set="(houseLabel) => store.edit([{ kind: 'label-port', port: port.id, houseLabel }])"
            />
          </span>
          <span class="soft small"
            >{{ port.panelName }}
            <TieChoice v-for="end in store.endsOf(port.id)" :key="end" :port="port" :end="end" />
          </span>
        </td>
        <td class="soft">not paired</td>
        <td>
          <NDropdown
            trigger="click"
            :options="partners(port)"
            @select="(right: string) => store.together([port.id, right])"
          >
            <button class="word" :aria-label="`Pair ${port.houseLabel} with another`" :disabled="single.length < 2">
              pair
            </button>
          </NDropdown>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.strong {
  display: block;
  font-weight: 600;
}

.small {
  font-size: 12px;
  text-align: left;
}

.sheet td {
  height: 42px;
}

.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 140px;
  align-items: center;
  gap: 2px 8px;
  padding-block: 4px;
}

.pair .word {
  justify-self: end;
}

td:last-child:not(:first-child) {
  width: 58px;
}

td:first-child,
.small {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
