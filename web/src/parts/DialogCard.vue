<script setup lang="ts">
import { NModal } from 'naive-ui'
import { nextTick, ref, watch } from 'vue'

/** A dialog with a title, by which assistive technology knows it too. */
const shown = defineModel<boolean>('show', { required: true })
const { title, width } = defineProps<{ title: string; width: number }>()

const inside = ref<HTMLElement>()

/** The control names neither its dialog nor the level of its headings. */
async function name() {
  await nextTick()
  const dialog = inside.value?.closest('[role="dialog"]')
  dialog?.setAttribute('aria-label', title)
  dialog?.querySelectorAll('[role="heading"]').forEach((each) => each.setAttribute('aria-level', '2'))
}

watch([shown, inside, () => title], name, { immediate: true, flush: 'post' })
</script>

<template>
  <NModal v-model:show="shown" preset="card" :title="title" :style="{ width: `${width}px` }">
    <div ref="inside"><slot /></div>
    <template v-if="$slots.footer" #footer><slot name="footer" /></template>
  </NModal>
</template>
