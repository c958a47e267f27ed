<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import type { ControlRoomSheet, SourceStanding } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useLimits } from '@/desk/limits'
import EditableText from '@/parts/EditableText.vue'
import LevelCell from '@/parts/LevelCell.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'

/** What the control room can hear beside the main mix and cues: each with its ports and how its channels are folded. */
const { settings, standing } = defineProps<{
  settings: ControlRoomSheet['settings']
  standing: ControlRoomSheet['standing']
}>()

const desk = useDesk()
const limits = useLimits()
const name = ref('')
const width = ref(2)
const port = ref<string | null>(null)

const rows = computed(() =>
  settings.sources.map((source) => ({ source, stands: standing.sources.find((each) => each.id === source.id) })),
)
const ports = computed(() =>
  desk.ports.filter((each) => each.usedBy.length === 0).map((each) => ({ label: each.houseLabel, value: each.id })),
)
const offeredTo = (own: { value: string; label: string }) =>
  ports.value.some((each) => each.value === own.value) ? ports.value : [own, ...ports.value]

const factor = (value: number) => value.toFixed(4).replace(/\.?0+$/, '')
const folded = (stands: SourceStanding, side: 'left' | 'right') =>
  stands.channels
    .filter((channel) => channel[side] !== 0)
    .map((channel) => (channel[side] === 1 ? channel.label : `${factor(channel[side])} · ${channel.label}`))
    .join(' + ') || 'nothing'

type Source = (typeof rows.value)[number]['source']

function change(source: Source, other: Partial<Pick<Source, 'name' | 'width' | 'first'>>) {
  const next = { ...source, ...other }
  return desk.edit([{ kind: 'set-source', source: source.id, name: next.name, width: next.width, port: next.first }])
}

async function add() {
  const added = await desk.edit([{ kind: 'add-source', name: name.value, width: width.value, port: port.value! }])
  if (!added) return
  name.value = ''
  port.value = null
}
</script>

<template>
  <table class="set-up" aria-label="Sources of the control room">
    <thead>
      <tr>
        <th style="width: 150px">Other sources</th>
        <th style="width: 90px">channels</th>
        <th style="width: 170px">from</th>
        <th>{{ rows.length ? 'level' : '' }}</th>
        <td style="width: 92px"></td>
      </tr>
    </thead>
    <tbody>
      <template v-for="{ source, stands } in rows" :key="source.id">
        <tr>
          <td>
            <EditableText
              :text="source.name"
              :label="`Name of source ${source.name}`"
              :set="(text: string) => change(source, { name: text })"
            />
          </td>
          <td>
            <NumberBox
              :label="`Channels of ${source.name}`"
              :value="source.width"
              :range="limits?.sourceChannels"
              :set="(channels) => change(source, { width: channels })"
            />
          </td>
          <td>
            <NamedSelect
              filterable
              :value="source.first"
              :options="offeredTo({ value: source.first, label: stands?.channels[0]?.label ?? source.first })"
              :label="`First port of ${source.name}`"
              @update:value="(first: string) => change(source, { first })"
            />
          </td>
          <td>
            <LevelCell
              :label="source.name"
              :light="`source/${source.id}`"
              :level="source.level"
              :set="(level, gesture) => desk.edit([{ kind: 'set-source-level', source: source.id, level }], gesture)"
            />
          </td>
          <td>
            <button
              class="word"
              :aria-label="`Remove source ${source.name}`"
              @click="desk.edit([{ kind: 'remove-source', source: source.id }])"
            >
              remove
            </button>
          </td>
        </tr>
        <tr v-if="stands">
          <td colspan="5" class="folded">
            <span v-if="stands.trouble" class="flare">{{ stands.trouble }}</span>
            left = {{ folded(stands, 'left') }}; right = {{ folded(stands, 'right') }}
          </td>
        </tr>
      </template>
      <tr>
        <td>
          <NInput
            v-model:value="name"
            size="small"
            placeholder="a phone, a player"
            :input-props="{ 'aria-label': 'Name of another source' }"
            @keydown.enter="port && name && add()"
          />
        </td>
        <td>
          <NumberBox
            label="Channels of another source"
            :value="width"
            :range="limits?.sourceChannels"
            :set="(channels) => (width = channels)"
          />
        </td>
        <td>
          <NamedSelect
            v-model:value="port"
            filterable
            placeholder="its first port"
            :options="ports"
            label="First port of another source"
          />
        </td>
        <td colspan="2">
          <NButton size="small" :disabled="!name.trim() || !port" @click="add">Add source</NButton>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.folded {
  font-size: 12.5px;
  color: var(--soft);
}
</style>
