<script setup lang="ts">
import { ref, watch } from 'vue'

/** A text to be typed over. What is being typed stays while what it stands for is told anew. */
const { text, label, longest, set } = defineProps<{
  text: string
  label: string
  longest: number
  set: (text: string) => unknown
}>()

const written = ref(text)
const typing = ref(false)
watch(
  () => text,
  (told) => {
    if (!typing.value) written.value = told
  },
)

function leave() {
  typing.value = false
  written.value = text
}
</script>

<template>
  <input
    v-model="written"
    class="field"
    :maxlength="longest"
    :aria-label="label"
    @focus="typing = true"
    @change="set(written.trim())"
    @blur="leave"
  />
</template>
