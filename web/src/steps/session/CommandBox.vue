<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesk } from '@/desk/desk'
import { groupsSuspended } from '@/desk/groups'
import { switchTheme } from '@/look/theme'
import { BESIDE, STEPS, type Doable } from '@/steps/steps'

/** Everything that can be done from anywhere, found by typing its words. */
const shown = defineModel<boolean>('shown', { required: true })

const emit = defineEmits<{ keep: [] }>()

const desk = useDesk()
const router = useRouter()
const wanted = ref('')
const at = ref(0)
const box = ref<HTMLInputElement>()

const all = computed<Doable[]>(() => [
  ...STEPS.map((step) => ({
    words: `Go to ${step.title}`,
    act: () => router.push(`/sessions/${desk.session!.id}/${step.path}`),
  })),
  ...BESIDE.map((place) => ({
    words: `Go to ${place.title}`,
    act: () => router.push(`/sessions/${desk.session!.id}/${place.path}`),
  })),
  { words: 'Go to all sessions', act: () => router.push('/') },
  { words: desk.live?.playing ? 'Stop' : 'Play', act: desk.playOrStop },
  { words: desk.live?.headphonesCut ? 'Turn headphones back on' : 'Cut headphones', act: desk.cutHeadphones },
  ...STEPS.flatMap((step) => step.actions?.(desk) ?? []),
  { words: 'Stop listening', act: () => desk.listen('') },
  ...desk.session!.markers.map((marker) => ({
    words: `Go to bar ${marker.bar}, ${marker.name}`,
    act: () => desk.command({ kind: 'locate', bar: marker.bar }),
  })),
  { words: `Undo: ${desk.undoState.undo || 'nothing'}`, act: desk.undo },
  { words: `Redo: ${desk.undoState.redo || 'nothing'}`, act: desk.redo },
  {
    words: groupsSuspended.value ? 'Let groups act' : 'Suspend groups',
    act: () => (groupsSuspended.value = !groupsSuspended.value),
  },
  { words: 'Keep as template', act: () => emit('keep') },
  { words: 'Switch between Day and Night', act: switchTheme },
])
const found = computed(() => {
  const parts = wanted.value.toLowerCase().split(/\s+/)
  return all.value.filter((each) => parts.every((part) => each.words.toLowerCase().includes(part)))
})

watch(wanted, () => (at.value = 0))
watch(shown, async (now) => {
  if (!now) return
  wanted.value = ''
  at.value = 0
  await nextTick()
  box.value?.focus()
})

function act(doable: Doable | undefined) {
  if (!doable) return
  shown.value = false
  box.value?.blur()
  void doable.act()
}

function move(by: number) {
  at.value = Math.max(0, Math.min(found.value.length - 1, at.value + by))
}
</script>

<template>
  <NModal v-model:show="shown" preset="card" :style="{ width: '520px' }">
    <input
      ref="box"
      v-model="wanted"
      class="field"
      aria-label="Search commands"
      placeholder="Search commands"
      @keydown.enter.prevent="act(found[at])"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
    />
    <ul>
      <li v-for="(each, index) in found" :key="each.words">
        <button class="plain" :class="{ at: index === at }" @click="act(each)">{{ each.words }}</button>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">No command matches.</p>
  </NModal>
</template>

<style scoped>
ul {
  max-height: 50vh;
  margin: 10px 0 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

button {
  width: 100%;
  padding: 5px 8px;
  border-radius: 5px;
}

.at,
button:hover {
  background: var(--sea-weak);
}
</style>
