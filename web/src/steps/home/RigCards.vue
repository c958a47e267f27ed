<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, type ListedRig } from '@/api/client'
import { trying } from '@/desk/notice'
import CardMenu from './CardMenu.vue'

/** The rigs; a session is laid out for one of them. */
const emit = defineEmits<{ changed: [] }>()

const rigs = ref<ListedRig[]>([])

function load() {
  return trying(async () => {
    rigs.value = ((await api.GET('/api/rigs')).data ?? []).filter((each) => !each.unreadable)
  })
}

onMounted(load)
defineExpose({ load })

const at = (rig: ListedRig) => ({ params: { path: { rig: rig.id } } })

async function changed() {
  await load()
  emit('changed')
}

async function rename(rig: ListedRig, name: string) {
  await api.POST('/api/rigs/{rig}/edits', { ...at(rig), body: { edits: [{ kind: 'name-rig', name }], basedOn: null } })
  await changed()
}

async function duplicate(rig: ListedRig) {
  await api.POST('/api/rigs/{rig}/duplicate', at(rig))
  await changed()
}

async function remove(rig: ListedRig) {
  await api.DELETE('/api/rigs/{rig}', at(rig))
  await changed()
}

const devices = (rig: ListedRig) => (rig.devices === 1 ? '1 device' : `${rig.devices} devices`)
</script>

<template>
  <section aria-labelledby="rigs">
    <h2 id="rigs">Rigs</h2>
    <div v-for="rig in rigs" :key="rig.id" class="card">
      <h3>{{ rig.name }}</h3>
      <span class="soft">{{ devices(rig) }}</span>
      <span class="fill"></span>
      <CardMenu
        :name="rig.name"
        :rename="(name) => rename(rig, name)"
        :duplicate="() => duplicate(rig)"
        :remove="() => remove(rig)"
      />
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}

h2 {
  margin-bottom: 8px;
  font-size: 23px;
}

.card {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 8px;
  padding: 8px 16px;
}

.fill {
  flex: 1;
}
</style>
