<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type BringItem, type Edit } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import NumberBox from '@/parts/NumberBox.vue'
import { useLimits } from '@/desk/limits'

/** What the list needs to be there, to tick off while packing. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const limits = useLimits()
const items = ref<BringItem[]>([])
const groups = computed(() => [...new Set(items.value.map((item) => item.group))])
const at = computed(() => `/api/sessions/${desk.session!.id}`)

/** What is packed, remembered by this browser. */
const packed = ref(new Set<string>())
const keptAs = computed(() => `lantern-packed-${desk.session!.id}`)

function tick(item: BringItem) {
  const next = new Set(packed.value)
  if (!next.delete(item.what)) next.add(item.what)
  packed.value = next
  localStorage.setItem(keptAs.value, JSON.stringify([...next]))
}

const what = ref('')
const count = ref(1)

async function load() {
  const params = { path: { session: desk.session!.id } }
  items.value = (await api.GET('/api/sessions/{session}/bring-list', { params })).data ?? []
}

async function edit(edits: Edit[]) {
  const made = await desk.edit(edits)
  if (made) await trying(load)
  return made
}

async function add() {
  const line = await desk.freshId('bring', what.value)
  if (await edit([{ kind: 'write-bring-line', line, what: what.value, count: count.value }])) {
    what.value = ''
    count.value = 1
  }
}

watch(shown, (now) => {
  if (!now) return
  packed.value = new Set(JSON.parse(localStorage.getItem(keptAs.value) ?? '[]') as string[])
  void trying(load)
})
</script>

<template>
  <DialogCard v-model:show="shown" title="What to bring" :width="560">
    <p v-if="items.length === 0" class="soft">
      Nothing yet. It follows from the mics, stands and cables of the list, and from who listens to a cue.
    </p>
    <template v-for="group in groups" :key="group">
      <h3>{{ group }}</h3>
      <label v-for="item in items.filter((each) => each.group === group)" :key="item.what" class="item">
        <input type="checkbox" :checked="packed.has(item.what)" @change="tick(item)" />
        <strong>{{ item.count }}</strong> × {{ item.what }}
        <span :class="item.lacking ? 'flare' : 'soft'">{{ item.note }}</span>
        <button
          v-if="item.own"
          class="word"
          :aria-label="`Remove ${item.what}`"
          @click.prevent="edit([{ kind: 'remove-bring-line', line: item.own }])"
        >
          Remove
        </button>
      </label>
    </template>
    <form class="own" @submit.prevent="add">
      <FormRow label="Something of your own"
        ><input v-model="what" class="field" :maxlength="limits?.textLength"
      /></FormRow>
      <FormRow label="How many"
        ><NumberBox label="How many" :value="count" :range="limits?.bringCount" :set="(many) => (count = many)"
      /></FormRow>
      <NButton attr-type="submit" size="small" :disabled="!what.trim()">Add</NButton>
    </form>
    <template #footer>
      <div class="foot">
        <NButton tag="a" :href="`${at}/bring-list.csv`" download>Save as CSV</NButton>
        <NButton tag="a" type="primary" :href="`${at}/input-list.pdf`" download>Print all sheets</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
h3 {
  margin: 12px 0 4px;
  font-size: 15px;
}

.item {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 3px 0;
}

.own {
  display: flex;
  align-items: flex-end;
  gap: 10px;
  margin-top: 14px;
}

.own :first-child {
  flex: 1;
}

.foot {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
