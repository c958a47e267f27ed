<script setup lang="ts">
import { NButton } from 'naive-ui'
import { question } from '@/desk/question'
import DialogCard from './DialogCard.vue'
</script>

<template>
  <DialogCard
    v-if="question"
    :show="true"
    :title="question.title"
    :width="420"
    @update:show="(on) => on || question?.answer('no')"
  >
    <p>{{ question.sentence }}</p>
    <template #footer>
      <div class="foot">
        <NButton @click="question.answer('no')">Leave it</NButton>
        <NButton v-if="question.instead" @click="question.answer('instead')">{{ question.instead }}</NButton>
        <NButton type="primary" @click="question.answer('yes')">{{ question.yes }}</NButton>
      </div>
    </template>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

.foot {
  display: flex;
  justify-content: flex-end;
  gap: 12px;
}
</style>
