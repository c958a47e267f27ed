<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, type Happened } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'

/** What went wrong with the sound since the session took the rig. */
const desk = useDesk()
const happened = ref<Happened | null>(null)

onMounted(() =>
  trying(async () => {
    const params = { path: { session: desk.session!.id } }
    happened.value = (await api.GET('/api/live/{session}/happened', { params })).data ?? null
  }),
)

const time = (utc: string) => new Date(utc).toLocaleTimeString('en-GB')
</script>

<template>
  <section aria-label="Sound">
    <h2>Sound</h2>
    <p v-if="!desk.live" class="soft">This session is not at the rig.</p>
    <p v-else-if="happened?.incidents.length === 0" class="soft">
      Nothing was late or missing since this session took the rig.
    </p>
    <ul v-else>
      <li v-for="(each, index) in happened?.incidents" :key="index">
        <time>{{ time(each.at) }}</time> {{ each.sentence }}
      </li>
    </ul>
    <p v-if="happened" class="soft file">
      The program's own log says more: <code>{{ happened.logFile }}</code>
    </p>
  </section>
</template>

<style scoped>
h2 {
  font-size: 18px;
}

p {
  margin: 6px 0;
}

ul {
  margin: 6px 0;
  padding: 0;
  list-style: none;
}

li {
  padding: 3px 0;
}

time {
  margin-right: 8px;
  color: var(--soft);
}

.file {
  font-size: 12px;
}

code {
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
