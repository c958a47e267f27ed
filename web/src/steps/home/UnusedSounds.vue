<script setup lang="ts">
import { NButton, NPopconfirm } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { api, type UnusedSound } from '@/api/client'
import { trying } from '@/desk/notice'
import { day, size } from '@/desk/written'

/** Sounds on the disk that nothing uses any more. */
const sounds = ref<UnusedSound[]>([])
const busy = ref(false)

function load() {
  return trying(async () => {
    sounds.value = (await api.GET('/api/sounds/unused')).data ?? []
  })
}

onMounted(load)

const all = computed(() => sounds.value.reduce((sum, each) => sum + each.bytes, 0))

/** However often it is pressed. */
async function remove(which: UnusedSound[]) {
  if (busy.value) return
  busy.value = true
  await trying(async () => {
    for (const each of which) await api.DELETE('/api/sounds/unused/{sound}', { params: { path: { sound: each.id } } })
  })
  await load()
  busy.value = false
}
</script>

<template>
  <section v-if="sounds.length > 0" class="kept" aria-labelledby="unused-sounds">
    <h2 id="unused-sounds">Unused sounds</h2>
    <p class="soft lead">
      No session, snapshot or template uses them.
      <NPopconfirm positive-text="Delete all" negative-text="Keep" @positive-click="remove(sounds)">
        <template #trigger>
          <NButton size="small" :disabled="busy">Delete all, {{ size(all) }}</NButton>
        </template>
        All of them are deleted for good.
      </NPopconfirm>
    </p>
    <table>
      <thead>
        <tr>
          <th>Sound</th>
          <th>Taken in</th>
          <th class="right">Size</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in sounds" :key="each.id">
          <td>{{ each.words }}</td>
          <td>{{ day(each.cameAt) }}</td>
          <td class="right">{{ size(each.bytes) }}</td>
          <td class="right">
            <NPopconfirm positive-text="Delete" negative-text="Keep" @positive-click="remove([each])">
              <template #trigger>
                <button class="word" :disabled="busy" :aria-label="`Delete the sound ${each.words}`">Delete</button>
              </template>
              It is deleted for good.
            </NPopconfirm>
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
