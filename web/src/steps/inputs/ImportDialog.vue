<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Preview } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import NamedSelect from '@/parts/NamedSelect.vue'
import { useBusy } from '@/parts/useBusy'
import { preview } from './preview'

const LEFT_OUT = 'left out'

/** Says what each column of a file was taken for, and row by row what it would do; nothing changes until somebody takes it. */
const file = defineModel<File | null>('file', { required: true })

const { busy, run } = useBusy()
const desk = useDesk()
const read = ref<Preview | null>(null)

const shown = computed({
  get: () => read.value !== null,
  set: (on) => {
    if (!on) read.value = file.value = null
  },
})
const edits = computed(() => read.value?.rows.flatMap((row) => row.edits) ?? [])
const choices = computed(() =>
  ['', ...(read.value?.choices ?? [])].map((value) => ({ value, label: value || LEFT_OUT })),
)
const leftOut = computed(() => read.value?.columns.filter((column) => !column.readAs) ?? [])
const leftOutWords = computed(() => leftOut.value.map((column) => column.heading || 'one without a heading').join(', '))

watch(file, async (chosen) => {
  if (chosen && !(await readAs(chosen))) file.value = null
})

function readAs(chosen: File, as?: string[]) {
  return trying(async () => {
    read.value = await preview(desk.session!.id, chosen, as)
  })
}

/** A column of the list is one column of the file: whichever was taken for it before is left out. */
function choose(at: number, column: string) {
  const as = read.value!.columns.map((each, index) =>
    index === at ? column : each.readAs === column ? '' : each.readAs,
  )
  return readAs(file.value!, as)
}

async function take() {
  if (await desk.edit(edits.value)) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Check the import" :width="760">
    <template v-if="read">
      <h3 id="columns-of-the-file">What each column is</h3>
      <div class="columns" role="group" aria-labelledby="columns-of-the-file">
        <div v-for="(column, at) in read.columns" :key="at" class="column">
          <span class="heading">{{ column.heading || `Column ${at + 1}` }}</span>
          <span class="soft example" :title="column.example">{{ column.example || 'empty' }}</span>
          <NamedSelect
            :label="`What ${column.heading || `column ${at + 1}`} is`"
            :value="column.readAs"
            :options="choices"
            @update:value="(value: string) => choose(at, value)"
          />
        </div>
      </div>
      <p v-if="read.problem" class="flare" role="alert">{{ read.problem }}</p>
    </template>
    <div v-if="read?.rows.length" class="sheet rows">
      <table aria-label="Rows of the file">
        <thead>
          <tr>
            <th class="number">Row</th>
            <th>Source</th>
            <th>What will happen</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in read.rows" :key="row.line">
            <td class="number soft">{{ row.line }}</td>
            <td>{{ row.source || '–' }}</td>
            <td class="does" :class="{ flare: row.problem }">
              {{ row.problem ? `left out: ${row.problem}` : row.does }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template #footer>
      <div class="foot">
        <span class="soft">
          {{ read?.good }} rows are good, {{ read?.bad }} are left out.
          <template v-if="leftOut.length">Columns left out: {{ leftOutWords }}.</template>
        </span>
        <NButton @click="shown = false">Cancel</NButton>
        <NButton type="primary" :loading="busy" :disabled="edits.length === 0" @click="run(take)">Import</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
h3 {
  margin: 0 0 6px;
  font: inherit;
  font-weight: 600;
}

.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px 12px;
  max-height: 30vh;
  margin-bottom: 12px;
  overflow: auto;
}

.column {
  display: grid;
  gap: 2px;
  min-width: 0;
}

.heading,
.example {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.rows {
  max-height: 40vh;
}

.does {
  white-space: normal;
}

.foot {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 12px;
}
</style>
