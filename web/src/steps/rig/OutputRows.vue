<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Pair, Port } from '@/api/client'
import { useRig } from '@/desk/rig'
import EditableText from '@/parts/EditableText.vue'
import TieChoice from './TieChoice.vue'
import { useWiring } from './useWiring'

/** What goes out: a device's pairs of outputs with what hangs on them, then the outputs that are in no pair. */
const { device } = defineProps<{ device: string }>()

const store = useRig()
const wiring = useWiring()

const FEEDS: { label: string; value: Pair['feeds'] }[] = [
  { label: 'main speakers', value: 'main-speakers' },
  { label: 'second speakers', value: 'second-speakers' },
  { label: 'headphones', value: 'headphones' },
  { label: 'my headphones', value: 'engineer' },
  { label: 'room speaker', value: 'room-speaker' },
  { label: 'nothing', value: 'nothing' },
]

const outputs = computed(() => wiring.portsOf(device, 'out').filter((port) => !port.hidden))
const pairs = computed(() =>
  wiring.rig.value.pairs.filter((pair) => outputs.value.some((port) => port.id === pair.left)),
)
const single = computed(() => outputs.value.filter((port) => !wiring.pairOf(port.id)))
const neighbours = computed(() =>
  single.value.filter((port) => port.number % 2 === 1 && single.value.some((each) => each.number === port.number + 1)),
)

const tying = ref('')

function tie(pair: Pair, ends: string) {
  tying.value = ''
  return store.edit(wiring.tieBoth(pair, ends))
}

/** What a tie leads on to, device and all: "Buoy A". */
function goesTo(ids: string[]) {
  const names = ids
    .map((id) => wiring.path(id).at(-1))
    .filter((port): port is Port => port !== undefined && !ids.includes(port.id))
    .map((port) => wiring.device(port.device)?.name ?? port.houseLabel)
  return [...new Set(names)].join(', ')
}
</script>

<template>
  <table aria-label="What goes out">
    <tbody>
      <tr v-for="pair in pairs" :key="pair.id">
        <td class="pair" colspan="3">
          <span class="strong">
            <EditableText
              :text="pair.houseLabel"
              :label="`House label of ${wiring.panel(pair)}`"
              :set="(houseLabel) => store.edit([{ kind: 'label-pair', pair: pair.id, houseLabel }])"
            />
          </span>
          <button
            class="word"
            :aria-label="`Take ${pair.houseLabel} apart`"
            @click="store.edit([{ kind: 'unpair-ports', pair: pair.id }])"
          >
            apart
          </button>
          <NSelect
            v-if="tying === pair.id"
            size="tiny"
            filterable
            :show="true"
            :value="wiring.bothTiedTo(pair)"
            :options="[{ label: 'nothing', value: '' }, ...wiring.stereoEnds()]"
            :consistent-menu-width="false"
            :input-props="{ 'aria-label': `What ${pair.houseLabel} is tied to` }"
            @update:value="(ends: string) => tie(pair, ends)"
            @update:show="(shown: boolean) => shown || (tying = '')"
          />
          <button
            v-else
            class="plain soft small"
            :title="`Choose what ${pair.houseLabel} is tied to`"
            @click="tying = pair.id"
          >
            {{ wiring.panel(pair) }} → {{ goesTo([pair.left, pair.right]) || 'nothing' }}
          </button>
          <NSelect
            size="tiny"
            :value="pair.feeds"
            :options="FEEDS"
            :input-props="{ 'aria-label': `What hangs on ${pair.houseLabel}` }"
            :aria-label="`What hangs on ${pair.houseLabel}`"
            :consistent-menu-width="false"
            @update:value="(feeds: Pair['feeds']) => store.edit([{ kind: 'set-pair-feeds', pair: pair.id, feeds }])"
          />
        </td>
      </tr>
      <tr v-for="port in single" :key="port.id">
        <td>
          <span class="strong">
            <EditableText
              :text="port.houseLabel"
              :label="`House label of ${port.panelName}`"
              :set="(houseLabel) => store.edit([{ kind: 'label-port', port: port.id, houseLabel }])"
            />
          </span>
          <span class="soft small"
            >{{ port.panelName }}
            <TieChoice v-for="end in wiring.endsOf(port)" :key="end" :port="port" :end="end" />
          </span>
        </td>
        <td class="soft">alone</td>
        <td>
          <button
            v-if="neighbours.includes(port)"
            class="word"
            :aria-label="`Pair ${port.houseLabel} with the next`"
            @click="
              store.edit([
                {
                  kind: 'pair-ports',
                  pair: `${device}-out-${port.number}-${port.number + 1}`,
                  left: port.id,
                  right: single.find((each) => each.number === port.number + 1)!.id,
                  houseLabel: `${port.houseLabel}, ${port.number + 1}`,
                  feeds: 'nothing',
                },
              ])
            "
          >
            pair
          </button>
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

.sheet .pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 2px 8px;
  height: auto;
  padding-block: 5px;
}

.pair .word {
  justify-self: end;
}

td:last-child {
  width: 58px;
}

td:first-child,
.small {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
