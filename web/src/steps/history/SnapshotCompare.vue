<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Compared, type ListedSnapshot, type Scope } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { paced } from '@/desk/paced'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import DifferenceTable from '@/parts/DifferenceTable.vue'
import { useBusy } from '@/parts/useBusy'

/** How now differs from a snapshot, and bringing it back, whole or in parts. */
const { snapshot } = defineProps<{ snapshot: ListedSnapshot }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const { busy, run } = useBusy()
const cues = ref<{ id: string; name: string }[]>([])
const scope = ref('all')
const lines = ref<Compared[] | null>(null)

const WORDS: Record<string, string> = { all: 'Everything', cues: 'All cues', mapping: 'The mapping' }
const path = () => ({ session: desk.session!.id, snapshot: snapshot.id })
/** "cue/voice" is one cue. */
const wanted = (): { scope: Scope; cue: string | null } =>
  scope.value.startsWith('cue/')
    ? { scope: 'cue', cue: scope.value.slice(4) }
    : { scope: scope.value as Scope, cue: null }

const what = computed(() => {
  const cue = cues.value.find((each) => `cue/${each.id}` === scope.value)
  return cue ? `cue ${cue.name}` : WORDS[scope.value]!.toLowerCase()
})

void trying(async () => {
  cues.value = (await api.GET('/api/sessions/{session}/snapshots/{snapshot}/cues', { params: { path: path() } })).data!
})

async function compare() {
  const { scope: of, cue } = wanted()
  const params = { path: path(), query: { scope: of, ...(cue ? { cue } : {}) } }
  const answer = await api.GET('/api/sessions/{session}/snapshots/{snapshot}/differences', { params })
  lines.value = answer.data ?? []
}

watch(
  [scope, () => desk.session?.revision],
  paced(() => trying(compare)),
  { immediate: true },
)

async function restore() {
  const restored = await trying(() =>
    api.POST('/api/sessions/{session}/snapshots/{snapshot}/restore', { params: { path: path() }, body: wanted() }),
  )
  if (restored) emit('close')
}
</script>

<template>
  <DialogCard :show="true" :title="`${snapshot.name}, compared with now`" :width="820" @update:show="emit('close')">
    <div class="scopes" role="radiogroup" aria-label="What to compare and restore">
      <button
        v-for="(words, each) in WORDS"
        :key="each"
        class="word"
        role="radio"
        :aria-checked="scope === each"
        @click="scope = String(each)"
      >
        {{ words }}
      </button>
      <button
        v-for="cue in cues"
        :key="cue.id"
        class="word"
        role="radio"
        :aria-checked="scope === `cue/${cue.id}`"
        @click="scope = `cue/${cue.id}`"
      >
        Cue {{ cue.name }}
      </button>
    </div>
    <p v-if="lines?.length === 0" class="soft" role="status">Nothing differs.</p>
    <DifferenceTable
      v-else-if="lines"
      :lines="lines"
      first="In the snapshot"
      second="Now"
      label="What differs from the snapshot"
    />
    <NButton type="primary" :disabled="!lines?.length" :loading="busy" @click="run(restore)"
      >Restore {{ what }}</NButton
    >
  </DialogCard>
</template>

<style scoped>
.scopes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 12px;
}
</style>
