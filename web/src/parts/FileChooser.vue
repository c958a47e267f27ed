<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'

/** Lets somebody choose a file: by its own button if it has words, or by whatever calls `choose`. */
const { button = '' } = defineProps<{ label: string; accept: string; button?: string }>()
const emit = defineEmits<{ chosen: [file: File] }>()

const box = ref<HTMLInputElement>()
const choose = () => box.value?.click()
defineExpose({ choose })

/** The same file can be chosen again afterwards. */
function take() {
  const file = box.value!.files?.[0]
  if (file) emit('chosen', file)
  box.value!.value = ''
}
</script>

<template>
  <NButton v-if="button" size="small" @click="choose">{{ button }}</NButton>
  <input ref="box" class="hidden" type="file" tabindex="-1" :accept="accept" :aria-label="label" @change="take" />
</template>
