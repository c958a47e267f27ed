<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesk } from '@/desk/desk'
import { useTalk } from '@/desk/talk'
import { useRig } from '@/desk/rig'
import { groupsSuspended } from '@/desk/groups'
import { switchTheme } from '@/look/theme'
import { outletsShown } from '@/steps/cues/outlets'
import { performersShown } from '@/steps/performers/shown'
import { BESIDE, STEPS, type Doable } from '@/steps/steps'
import { goToRow } from './showing'
import { useUndoing } from './useUndoing'

/** Everything that can be done from anywhere, found by typing its words. */
const shown = defineModel<boolean>('shown', { required: true })

const emit = defineEmits<{ keep: [] }>()

const MOST_FOUND = 80

const desk = useDesk()
const rig = useRig()
const undoing = useUndoing()
const { on: talking, press, release } = useTalk()

function pressAndLetGo() {
  press()
  release()
}
const router = useRouter()
const wanted = ref('')
const at = ref(0)
const box = ref<HTMLInputElement>()

const all = computed<Doable[]>(() => [
  ...STEPS.map((step, index) => ({
    words: `Go to ${step.title}`,
    key: String(index + 1),
    act: () => router.push(`/sessions/${desk.session!.id}/${step.path}`),
  })),
  ...BESIDE.map((place) => ({
    words: `Go to ${place.title}`,
    act: () => router.push(`/sessions/${desk.session!.id}/${place.path}`),
  })),
  { words: 'Go to all sessions', act: () => router.push('/') },
  { words: desk.live?.playing ? 'Stop' : 'Play', key: 'Space', act: desk.playOrStop },
  {
    words: desk.live?.headphonesCut ? 'Turn headphones back on' : 'Cut headphones',
    key: 'H',
    act: desk.cutHeadphones,
  },
  { words: talking.value ? 'Stop talking' : 'Talk to performers', key: 'T', act: pressAndLetGo },
  ...desk.cues.map(({ id, name }) => {
    const cut = desk.live?.cutCues.includes(id) ?? false
    return {
      words: cut ? `Turn the headphones of ${name} back on` : `Cut the headphones of ${name}`,
      act: () => desk.command({ kind: 'cut-headphones', cut: !cut, cue: id }),
    }
  }),
  ...STEPS.flatMap((step) => step.actions?.(desk) ?? []),
  { words: 'Stop listening', act: () => desk.listen('') },
  ...desk.session!.markers.map((marker) => ({
    words: `Go to bar ${marker.bar}, ${marker.name}`,
    act: () => desk.command({ kind: 'locate', bar: marker.bar }),
  })),
  { words: undoing.undoWords.value, key: 'Ctrl Z', act: undoing.undo },
  { words: undoing.redoWords.value, key: 'Ctrl Shift Z', act: undoing.redo },
  {
    words: groupsSuspended.value ? 'Let groups act' : 'Suspend groups',
    key: 'G',
    act: () => (groupsSuspended.value = !groupsSuspended.value),
  },
  { words: 'Performers', act: () => (performersShown.value = true) },
  { words: 'Step through the outlets', act: () => (outletsShown.value = true) },
  { words: 'Keep as template', act: () => emit('keep') },
  { words: 'Switch between Day and Night', act: switchTheme },
])
/** What has a name in the session and its rig; only looked through once something is typed. */
const named = computed<Doable[]>(() => {
  const at = `/sessions/${desk.session!.id}`
  const row = (words: string, path: string, id: string) => ({
    words,
    act: () => goToRow(router, `${at}/${path}`, id),
  })
  return [
    ...desk.inputs.map(({ id, number, source, mic }) =>
      row(`Input ${number}, ${source}${mic ? ` (${mic})` : ''}`, 'input-list', id),
    ),
    ...desk.tracks.map(({ id, name }) => row(`Track ${name}`, 'tracks', id)),
    ...desk.cues.map(({ id, name }) => ({ words: `Cue ${name}`, act: () => router.push(`${at}/cues?cue=${id}`) })),
    ...desk.performers.map(({ id, name }) => row(`Performer ${name}`, 'monitoring', id)),
    ...(rig.rig?.ports ?? []).map(({ id, houseLabel, panelName, device }) =>
      row(`Port ${houseLabel} (${rig.device(device)?.name}, ${panelName})`, `rig?device=${device}`, id),
    ),
  ]
})
const found = computed(() => {
  const parts = wanted.value.toLowerCase().split(/\s+/)
  const fits = (each: Doable) => parts.every((part) => each.words.toLowerCase().includes(part))
  const actions = all.value.filter(fits)
  return wanted.value.trim() ? [...actions, ...named.value.filter(fits)].slice(0, MOST_FOUND) : actions
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
      aria-label="Search commands and names"
      placeholder="Search commands, inputs, tracks, cues, performers, ports"
      @keydown.enter.prevent="act(found[at])"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
    />
    <ul>
      <li v-for="(each, index) in found" :key="each.words">
        <button class="plain" :class="{ at: index === at }" @click="act(each)">
          <span>{{ each.words }}</span> <kbd v-if="each.key">{{ each.key }}</kbd>
        </button>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">Nothing has such words.</p>
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
  display: flex;
  justify-content: space-between;
  gap: 12px;
  width: 100%;
  padding: 5px 8px;
  border-radius: 5px;
}

.at,
button:hover {
  background: var(--sea-weak);
}
</style>
