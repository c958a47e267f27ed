<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useRig } from '@/desk/rig'
import EditableText from '@/parts/EditableText.vue'
import LampLight from '@/parts/LampLight.vue'
import TieChoice from './TieChoice.vue'
import { accepts, preampWords } from './portWords'

/** A port, read from left to right: what it is called, what is tied there, what this session has in it, what it can do. */
const { port, picked } = defineProps<{ port: Port; picked: boolean }>()
const emit = defineEmits<{ pick: [event: MouseEvent] }>()

const store = useRig()
const desk = useDesk()

const users = computed(() => desk.inputsThrough(port.id))
const fed = computed(() => desk.tracksFedBy(port.id))
const light = computed(() =>
  users.value[0] ? `input/${users.value[0].id}` : fed.value[0] ? `track/${fed.value[0].id}` : '',
)
const pair = computed(() => store.pairOf(port.id))
const side = computed(() => (pair.value?.left === port.id ? 'left of' : 'right of'))
</script>

<template>
  <tr :class="{ picked, away: port.hidden }" :aria-selected="picked" :data-row="port.id">
    <td>
      <button
        class="plain pick"
        :aria-label="`Select ${port.houseLabel}`"
        :aria-pressed="picked"
        @click="emit('pick', $event)"
      >
        {{ port.number }}
      </button>
    </td>
    <td class="light"><LampLight v-if="light" :light="light" /></td>
    <td class="strong">
      <EditableText
        :text="port.houseLabel"
        :label="`House label of ${port.panelName}`"
        column
        :set="(houseLabel) => store.edit([{ kind: 'label-port', port: port.id, houseLabel }])"
      />
      <span v-if="pair" class="soft small"> {{ side }} {{ pair.houseLabel }}</span>
    </td>
    <td class="soft">{{ port.panelName }}</td>
    <td class="tie">
      <TieChoice v-for="end in store.endsOf(port.id)" :key="end" :port="port" :end="end" />
    </td>
    <td class="use">{{ [...users.map((input) => input.source), ...fed.map((track) => track.name)].join(', ') }}</td>
    <td class="soft small">{{ store.device(port.device)?.kind === 'sound-module' ? '' : accepts(port) }}</td>
    <td class="soft small">{{ preampWords(port) }}</td>
    <td>
      <button
        class="word"
        :aria-pressed="port.hidden"
        :aria-label="`Hide ${port.houseLabel}`"
        @click="store.edit([{ kind: 'hide-port', port: port.id, hidden: !port.hidden }])"
      >
        {{ port.hidden ? 'hidden' : 'hide' }}
      </button>
    </td>
  </tr>
</template>

<style scoped>
td {
  overflow: hidden;
  text-overflow: ellipsis;
}

.light {
  padding: 0 4px;
  text-overflow: clip;
}

.strong {
  font-weight: 600;
}

.strong .small {
  margin-left: 6px;
}

.small {
  font-size: 12px;
  font-weight: 400;
}

.pick {
  width: 100%;
  color: var(--soft);
  text-align: right;
}

.picked td {
  background: var(--glow-weak);
}

.away td:not(:last-child) {
  opacity: 0.6;
}

.tie > :not(:first-child) {
  margin-left: 8px;
}
</style>
