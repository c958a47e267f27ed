<script setup lang="ts">
import { ref } from 'vue'
import { api, type Card, type Compared } from '@/api/client'
import { moment } from '@/desk/written'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import DifferenceTable from '@/parts/DifferenceTable.vue'

/** The versions of a template, compared with the newest, and made the newest again. */
const { card } = defineProps<{ card: Card }>()
const emit = defineEmits<{ close: []; changed: [] }>()

const versions = ref<{ version: number; keptAt: string }[]>([])
const compared = ref(0)
const lines = ref<Compared[]>([])

const of = (version: number) => ({ params: { path: { template: card.id, version } } })

function load() {
  return trying(async () => {
    const params = { path: { template: card.id } }
    versions.value = (await api.GET('/api/templates/{template}/versions', { params })).data ?? []
    compared.value = 0
  })
}

void load()

function compare(version: number) {
  return trying(async () => {
    const answer = await api.GET('/api/templates/{template}/versions/{version}/differences', of(version))
    lines.value = answer.data ?? []
    compared.value = version
  })
}

async function restore(version: number) {
  const restored = await trying(() => api.POST('/api/templates/{template}/versions/{version}/restore', of(version)))
  if (!restored) return
  emit('changed')
  await load()
}
</script>

<template>
  <DialogCard :show="true" :title="`Versions of ${card.about.title}`" :width="720" @update:show="emit('close')">
    <ul>
      <li v-for="(each, at) in versions" :key="each.version">
        <strong>Version {{ each.version }}</strong>
        <span class="soft">{{ moment(each.keptAt) }}</span>
        <span class="fill"></span>
        <span v-if="at === 0" class="soft">the newest, new sessions begin from it</span>
        <template v-else>
          <button class="word" :aria-label="`Compare version ${each.version}`" @click="compare(each.version)">
            Compare with the newest
          </button>
          <button class="word" :aria-label="`Restore version ${each.version}`" @click="restore(each.version)">
            Restore
          </button>
        </template>
      </li>
    </ul>
    <p v-if="versions.length === 1" class="soft">
      To bring it up to date, open a session and choose Keep as template, then this one.
    </p>
    <template v-if="compared">
      <p v-if="lines.length === 0" class="soft" role="status">Nothing differs.</p>
      <DifferenceTable
        v-else
        :lines="lines"
        :first="`Version ${compared}`"
        second="Newest"
        label="What differs from the newest version"
      />
    </template>
  </DialogCard>
</template>

<style scoped>
ul {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 5px 0;
}

.fill {
  flex: 1;
}
</style>
