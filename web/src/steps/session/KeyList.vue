<script setup lang="ts">
import { NModal } from 'naive-ui'
import { KEYS } from './useKeys'

const shown = defineModel<boolean>('shown', { required: true })
</script>

<template>
  <NModal v-model:show="shown" preset="card" title="Keys" class="keys" :style="{ width: '460px' }">
    <table>
      <tbody>
        <tr v-for="[key, what] in KEYS" :key="key">
          <td>
            <kbd>{{ key }}</kbd>
          </td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </NModal>
</template>

<style scoped>
td {
  padding: 4px 16px 4px 0;
  vertical-align: top;
}
</style>
