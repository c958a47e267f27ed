<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import DialogCard from '@/parts/DialogCard.vue'
import { STEPS } from '@/steps/steps'
import { KEYS, singleKeys } from './useKeys'

const groups = [{ title: '', keys: KEYS }, ...STEPS.flatMap(({ title, keys }) => (keys ? [{ title, keys }] : []))]

const shown = defineModel<boolean>('shown', { required: true })
</script>

<template>
  <DialogCard v-model:show="shown" title="Keys" :width="460">
    <table>
      <tbody>
        <template v-for="{ title, keys } in groups" :key="title">
          <tr v-if="title">
            <th colspan="2">{{ title }}</th>
          </tr>
          <tr v-for="[key, what] in keys" :key="key">
            <td>
              <kbd>{{ key }}</kbd>
            </td>
            <td>{{ what }}</td>
          </tr>
        </template>
      </tbody>
    </table>
    <p>
      <NCheckbox v-model:checked="singleKeys">Letters, digits and Space alone do something</NCheckbox>
    </p>
  </DialogCard>
</template>

<style scoped>
th {
  padding-top: 14px;
  text-align: left;
}

td {
  padding: 4px 16px 4px 0;
  vertical-align: top;
}
</style>
