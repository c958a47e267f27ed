<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/client'
import { useRig } from '@/desk/rig'
import EditableText from '@/parts/EditableText.vue'

/** Which ports of a device belong together, to be renamed or taken apart: wide groups, and pairs of inputs. */
const { device, direction } = defineProps<{ device: string; direction: Port['direction'] }>()

const store = useRig()

const ours = computed(() => new Set(store.portsOf(device, direction).map((port) => port.id)))
const pairs = computed(() => (direction === 'in' ? store.rig!.pairs.filter((pair) => ours.value.has(pair.left)) : []))
const groups = computed(() => store.rig!.groups.filter((group) => ours.value.has(group.ports[0]!)))
</script>

<template>
  <div v-if="pairs.length || groups.length" class="together">
    <span v-for="pair in pairs" :key="pair.id" class="chip">
      <EditableText
        :text="pair.houseLabel"
        :label="`Name of the pair ${pair.houseLabel}`"
        :set="(houseLabel) => store.edit([{ kind: 'label-pair', pair: pair.id, houseLabel }])"
      />
      <span class="soft">{{ store.label(pair.left) }} | {{ store.label(pair.right) }}</span>
      <button
        class="word"
        :aria-label="`Unpair ${pair.houseLabel}`"
        @click="store.edit([{ kind: 'unpair-ports', pair: pair.id }])"
      >
        apart
      </button>
    </span>
    <span v-for="group in groups" :key="group.id" class="chip">
      <EditableText
        :text="group.houseLabel"
        :label="`Name of the group ${group.houseLabel}`"
        :set="(houseLabel) => store.edit([{ kind: 'label-group', group: group.id, houseLabel }])"
      />
      <span class="soft"
        >{{ group.ports.length }} wide, {{ store.label(group.ports[0]!) }} to
        {{ store.label(group.ports.at(-1)!) }}</span
      >
      <button
        class="word"
        :aria-label="`Ungroup ${group.houseLabel}`"
        @click="store.edit([{ kind: 'ungroup-ports', group: group.id }])"
      >
        apart
      </button>
    </span>
  </div>
</template>

<style scoped>
.together {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  max-height: 62px;
  margin-bottom: 8px;
  overflow: auto;
  flex: none;
}

.chip {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 12.5px;
}
</style>
