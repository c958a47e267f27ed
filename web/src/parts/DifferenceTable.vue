<script setup lang="ts">
import type { Compared } from '@/api/client'

/** How two states differ, a line for each thing, with both values. */
defineProps<{ lines: Compared[]; first: string; second: string; label: string }>()
</script>

<template>
  <div class="sheet differences" tabindex="0" role="region" :aria-label="label">
    <table :aria-label="label">
      <thead>
        <tr>
          <th>What</th>
          <td></td>
          <th>{{ first }}</th>
          <th>{{ second }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, index) in lines" :key="`${line.part} ${line.what}`">
          <td class="strong">{{ lines[index - 1]?.part === line.part ? '' : line.name }}</td>
          <td>{{ line.what }}</td>
          <td>{{ line.first || (line.what ? 'empty' : 'not there') }}</td>
          <td>{{ line.second || (line.what ? 'empty' : 'not there') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.differences {
  max-height: 46vh;
  margin-bottom: 12px;
}

.differences td {
  height: auto;
  padding: 5px 8px;
  white-space: normal;
}

.strong {
  font-weight: 600;
}
</style>
