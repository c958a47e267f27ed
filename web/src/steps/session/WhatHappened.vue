<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Happened, type LogLine } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'

/** What went wrong with the sound, and who changed what, newest first. */
const shown = defineModel<boolean>('shown', { required: true })

const desk = useDesk()
const happened = ref<Happened | null>(null)
const lines = ref<LogLine[]>([])
/** Whether there are lines beyond those that always stay. */
const many = ref(false)

const PAGE = 50
const KEPT_LINES = 10_000

watch(shown, (now) => {
  if (now) void trying(load)
})

async function load() {
  const path = { session: desk.session!.id }
  happened.value = (await api.GET('/api/live/{session}/happened', { params: { path } })).data ?? null
  lines.value = await page(0)
  many.value = (await page(KEPT_LINES / PAGE)).length > 0
}

async function page(number: number): Promise<LogLine[]> {
  const params = { path: { session: desk.session!.id }, query: { page: number, size: PAGE } }
  return (await api.GET('/api/sessions/{session}/log', { params })).data ?? []
}

function fold() {
  return trying(async () => {
    await api.POST('/api/sessions/{session}/log/fold', { params: { path: { session: desk.session!.id } } })
    await load()
  })
}

const time = (utc: string) => new Date(utc).toLocaleTimeString('en-GB')
</script>

<template>
  <DialogCard v-model:show="shown" title="What happened" :width="680">
    <div class="both">
      <h3>To the sound</h3>
      <p v-if="!desk.live" class="soft">This session is not at the rig.</p>
      <p v-else-if="happened?.incidents.length === 0" class="soft">
        Nothing was late or missing since this session took the rig.
      </p>
      <ul v-else>
        <li v-for="(each, index) in happened?.incidents" :key="index">
          <time>{{ time(each.at) }}</time> {{ each.sentence }}
        </li>
      </ul>
      <h3>To the session</h3>
      <p v-if="lines.length === 0" class="soft">Nothing was changed yet.</p>
      <ul>
        <li v-for="line in lines" :key="line.number">
          <span class="soft number">{{ line.number }}</span>
          <span :class="{ undone: line.state === 'undone' || line.state === 'forgone' }">{{ line.summary }}</span>
        </li>
      </ul>
      <p v-if="many">
        More than {{ KEPT_LINES.toLocaleString('en-GB') }} lines make the session slow to open.
        <button class="word" @click="fold">Merge older lines into one</button>
        What they did stays but can no longer be undone.
      </p>
      <p v-if="happened" class="soft">
        The program's own log says more: <code>{{ happened.logFile }}</code>
      </p>
    </div>
  </DialogCard>
</template>

<style scoped>
.both {
  max-height: 62vh;
  overflow: auto;
}

ul {
  margin: 4px 0 16px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 10px;
  padding: 3px 0;
}

time,
.number {
  flex: 0 0 auto;
  min-width: 44px;
  font-variant-numeric: tabular-nums;
}

.number {
  text-align: right;
}

.undone {
  color: var(--soft);
  text-decoration: line-through;
}

code {
  user-select: all;
}
</style>
