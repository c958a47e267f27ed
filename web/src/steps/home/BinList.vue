<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api, type Binned } from '@/api/client'
import { trying } from '@/desk/notice'
import { ask } from '@/desk/question'
import { day } from '@/desk/written'

/** What was removed, and the way back. */
const emit = defineEmits<{ takenBack: [] }>()

const removed = ref<Binned[]>([])
const busy = ref(false)

function load() {
  return trying(async () => {
    removed.value = (await api.GET('/api/bin')).data ?? []
  })
}

onMounted(load)
defineExpose({ load })

const at = (each: Binned) => ({ params: { path: { kind: each.kind, id: each.id } } })

/** One at a time, however often it is pressed. */
async function once(action: () => Promise<unknown>) {
  if (busy.value) return
  busy.value = true
  const worked = await trying(action)
  await load()
  busy.value = false
  if (worked) emit('takenBack')
}

const takeBack = (each: Binned) => once(() => api.POST('/api/bin/{kind}/{id}/take-back', at(each)))

async function deleteNow(each: Binned) {
  const sentence = `The ${each.kind} is deleted for good, with the sounds that nothing else plays.`
  if (await ask({ title: `Delete ${each.name}?`, sentence, yes: 'Delete' }))
    await once(() => api.DELETE('/api/bin/{kind}/{id}', at(each)))
}

async function empty() {
  const sentence = 'All of it is deleted for good, with the sounds that nothing else plays.'
  if (await ask({ title: 'Empty the bin?', sentence, yes: 'Delete all' })) await once(() => api.DELETE('/api/bin'))
}
</script>

<template>
  <section v-if="removed.length > 0" class="kept" aria-labelledby="bin">
    <h2 id="bin">Bin</h2>
    <p class="soft lead">
      What is removed stays here for 30 days.
      <NButton size="small" :disabled="busy" @click="empty">Empty the bin</NButton>
    </p>
    <table>
      <thead>
        <tr>
          <th>Name</th>
          <th>What</th>
          <th>Kept until</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in removed" :key="`${each.kind}/${each.id}`">
          <td>{{ each.name }}</td>
          <td>{{ each.kind }}</td>
          <td>{{ day(each.goesAt) }}</td>
          <td class="right">
            <button class="word" :disabled="busy" :aria-label="`Take back ${each.name}`" @click="takeBack(each)">
              Take back
            </button>
            <button class="word" :disabled="busy" :aria-label="`Delete ${each.name} now`" @click="deleteNow(each)">
              Delete now
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}
</style>
