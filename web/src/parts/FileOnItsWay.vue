<script setup lang="ts">
import type { Going } from '@/desk/sending'
import TaskBar from './TaskBar.vue'

/** A file on its way, how much of it has arrived, and until all has, a way to cancel it. */
defineProps<{ going: Going }>()
defineEmits<{ cancel: [] }>()
</script>

<template>
  <div role="status">
    {{ going.share < 1 ? `${going.name} is on its way` : `${going.name} is looked through` }}
    <TaskBar
      v-if="going.share < 1"
      :share="going.share"
      :label="`How much of ${going.name} has arrived`"
      @cancel="$emit('cancel')"
    />
  </div>
</template>
