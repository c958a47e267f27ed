<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { api, type UnusedSound } from '@/api/client'
import { trying } from '@/desk/notice'
import { ask } from '@/desk/question'
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
async function remove(which: UnusedSound[], title: string) {
  const sentence = which.length === 1 ? 'It is deleted for good.' : 'All of them are deleted for good.'
  if (busy.value || !(await ask({ title, sentence, yes: 'Delete' }))) return
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
      <NButton size="small" :disabled="busy" @click="remove(sounds, 'Delete all unused sounds?')">
        Delete all, {{ size(all) }}
      </NButton>
    </p>
    <table>
      <thead>
        <tr>
          <th>Sound</th>
          <th>Taken in</th>
          <th class="right">Size</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in sounds" :key="each.id">
          <td>{{ each.words }}</td>
          <td>{{ day(each.cameAt) }}</td>
          <td class="right">{{ size(each.bytes) }}</td>
          <td class="right">
            <button
              class="word"
              :disabled="busy"
              :aria-label="`Delete the sound ${each.words}`"
              @click="remove([each], `Delete the sound ${each.words}?`)"
            >
              Delete
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
