<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Preview } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'

/** Says row by row what a file would do; nothing changes until somebody takes it. */
const file = defineModel<File | null>('file', { required: true })

const desk = useDesk()
const preview = ref<Preview | null>(null)

const shown = computed({
  get: () => preview.value !== null,
  set: (on) => {
    if (!on) preview.value = file.value = null
  },
})
const edits = computed(() => preview.value?.rows.flatMap((row) => row.edits) ?? [])

watch(file, async (chosen) => {
  if (!chosen) return
  const read = await trying(async () => {
    const answer = await api.POST('/api/sessions/{session}/input-list/preview', {
      params: { path: { session: desk.session!.id } },
      body: chosen as unknown as string,
      bodySerializer: (body) => body,
      headers: { 'Content-Type': 'text/csv' },
    })
    preview.value = answer.data!
  })
  if (!read) file.value = null
})

async function take() {
  if (await desk.edit(edits.value)) shown.value = false
}
</script>

<template>
  <DialogCard v-model:show="shown" title="What this file will do" :width="760">
    <div v-if="preview" class="sheet rows">
      <table aria-label="Rows of the file">
        <thead>
          <tr>
            <th class="number">Row</th>
            <th>Source</th>
            <th>What will happen</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in preview.rows" :key="row.line">
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
        <span class="soft">{{ preview?.good }} rows are good, {{ preview?.bad }} are left out.</span>
        <NButton @click="shown = false">Cancel</NButton>
        <NButton type="primary" :disabled="edits.length === 0" @click="take">Import the good rows</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
.rows {
  max-height: 56vh;
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
