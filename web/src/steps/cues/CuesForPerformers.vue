<script setup lang="ts">
import { NButton, NCheckbox, NPopover } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type Performer } from '@/api/client'
import { placing } from '@/desk/placing'
import { useDesk } from '@/desk/desk'
import { useBusy } from '@/parts/useBusy'

/** Cues for those who hear none yet: one each, or one for all who are chosen. */
const { performers } = defineProps<{ performers: Performer[] }>()
const emit = defineEmits<{ adding: [on: boolean] }>()

const desk = useDesk()
const shown = ref(false)
const chosen = ref<string[]>([])
const { busy, run: once } = useBusy()

watch(shown, () => (chosen.value = performers.map((performer) => performer.id)))

async function add(together: boolean) {
  emit('adding', true)
  const params = { path: { session: desk.session!.id } }
  const body = { performers: chosen.value, together }
  const made = await desk.proposed(() =>
    placing(api.POST('/api/sessions/{session}/cues/for-performers', { params, body }), 'Make'),
  )
  if (made) shown.value = false
  else emit('adding', false)
}
</script>

<template>
  <NPopover v-model:show="shown" trigger="click" placement="bottom-end">
    <template #trigger>
      <NButton size="small" type="primary">
        {{ performers.length === 1 ? `A cue for ${performers[0]!.name}` : `Cues for ${performers.length} performers` }}
      </NButton>
    </template>
    <div class="who" role="group" aria-label="Performers who hear no cue yet">
      <NCheckbox
        v-for="performer in performers"
        :key="performer.id"
        :checked="chosen.includes(performer.id)"
        :label="performer.name"
        @update:checked="
          (on: boolean) => (chosen = on ? [...chosen, performer.id] : chosen.filter((each) => each !== performer.id))
        "
      />
    </div>
    <p class="soft">With all tracks in it, each of them off, on a free output pair for headphones.</p>
    <div class="way">
      <NButton size="small" type="primary" :disabled="!chosen.length" :loading="busy" @click="once(() => add(false))"
        >A cue for each</NButton
      >
      <NButton size="small" :disabled="chosen.length < 2" @click="once(() => add(true))"
        >One cue for all of them</NButton
      >
    </div>
  </NPopover>
</template>

<style scoped>
.who {
  display: flex;
  flex-direction: column;
  gap: 4px;
  max-height: 50vh;
  overflow: auto;
}

p {
  max-width: 260px;
  margin: 8px 0;
}

.way {
  display: flex;
  gap: 8px;
}
</style>
