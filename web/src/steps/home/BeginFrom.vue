<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Begun, type Card, type FitOfRig } from '@/api/client'
import { trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'

/** Begins a session from a template, and says where everything went that could not stay where it was. */
const { card, fits } = defineProps<{ card: Card; fits: FitOfRig[] }>()
const emit = defineEmits<{ close: [] }>()

const router = useRouter()
const name = ref(card.about.title)
const song = ref('')
const rig = ref((fits.find((each) => each.all) ?? fits[0])?.rig ?? '')
const begun = ref<Begun | null>(null)

function begin() {
  return trying(async () => {
    const params = { path: { template: card.id } }
    const body = { name: name.value, song: song.value, rigId: rig.value }
    begun.value = (await api.POST('/api/templates/{template}/sessions', { params, body })).data!
    if (begun.value.lines.length === 0) open()
  })
}

const open = () => router.push(`/sessions/${begun.value!.session}/input-list`)
</script>

<template>
  <DialogCard
    :show="true"
    :title="begun ? 'Where everything went' : `New session from ${card.about.title}`"
    :width="begun ? 760 : 460"
    @update:show="emit('close')"
  >
    <form v-if="!begun" class="form" @submit.prevent="begin">
      <FormRow label="Name"><input v-model="name" class="field" required maxlength="400" /></FormRow>
      <FormRow label="Song"><input v-model="song" class="field" maxlength="400" /></FormRow>
      <FormRow label="Rig">
        <NSelect
          v-model:value="rig"
          size="small"
          :options="fits.map((each) => ({ label: each.name, value: each.rig }))"
          :input-props="{ 'aria-label': 'Rig' }"
          aria-label="Rig"
        />
      </FormRow>
      <p class="soft">{{ fits.find((each) => each.rig === rig)?.words }}</p>
      <NButton attr-type="submit" type="primary" :disabled="!name.trim() || !rig">Create session</NButton>
    </form>
    <template v-else>
      <div class="fits" tabindex="0" role="region" aria-label="Inputs and cues">
        <table aria-label="Where everything went">
          <thead>
            <tr>
              <th>Input or cue</th>
              <th>Was at</th>
              <th>Goes to</th>
              <th>Because</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in begun.lines" :key="line.part">
              <td class="strong">{{ line.name }}</td>
              <td>{{ line.from }}</td>
              <td :class="{ flare: !line.to }">{{ line.to || 'no place' }}</td>
              <td class="soft">{{ line.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-for="proposal in begun.proposals" :key="proposal" class="soft">{{ proposal }}</p>
      <NButton type="primary" @click="open">Open the session</NButton>
    </template>
  </DialogCard>
</template>

<style scoped>
.fits {
  max-height: 50vh;
  margin-bottom: 12px;
  overflow: auto;
}

td,
th {
  padding: 4px 12px 4px 0;
  text-align: left;
  vertical-align: top;
  white-space: normal;
}

.strong {
  font-weight: 600;
}
</style>
