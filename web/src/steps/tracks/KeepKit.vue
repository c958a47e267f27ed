<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { api, type KitCard, type Picture, type Track } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'
import PictureChoice from '@/parts/PictureChoice.vue'
import SelectRow from '@/parts/SelectRow.vue'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

/** Keeps the selected tracks as a kit, or as the next version of one. */
const { tracks } = defineProps<{ tracks: Track[] }>()
const emit = defineEmits<{ close: [] }>()

/** The choice of a kit that is not there yet. */
const FRESH = ''

const desk = useDesk()
const { busy, run } = useBusy()
const limits = useLimits()
const kits = ref<KitCard[]>([])
const chosen = ref(FRESH)
const title = ref(tracks[0]!.look.folder || tracks[0]!.name)
const description = ref('')
const picture = ref<Picture>('mic')

void trying(async () => (kits.value = (await api.GET('/api/kits')).data ?? []))

const choices = computed(() => [
  { label: 'a new kit', value: FRESH },
  ...kits.value.map((kit) => ({ label: kit.about.title, value: kit.id })),
])

function keep() {
  return trying(async () => {
    const path = { session: desk.session!.id }
    const ids = tracks.map((track) => track.id)
    const about = { title: title.value, description: description.value, tags: [], picture: picture.value }
    const answer =
      chosen.value === FRESH
        ? await api.POST('/api/sessions/{session}/kits', { params: { path }, body: { ...about, tracks: ids } })
        : await api.POST('/api/sessions/{session}/kits/{kit}/update', {
            params: { path: { ...path, kit: chosen.value } },
            body: { tracks: ids },
          })
    tell(`"${answer.data!.about.title}" is kept: ${answer.data!.words}. Put it in from Tracks of any session.`)
    emit('close')
  })
}
</script>

<template>
  <DialogCard :show="true" title="Keep as kit" :width="480" @update:show="emit('close')">
    <form class="form" @submit.prevent="run(keep)">
      <p class="soft">
        {{ tracks.map((track) => track.name).join(', ') }}, with the inputs that feed them, their groups and their sends
        to cues.
      </p>
      <SelectRow v-if="kits.length" v-model="chosen" label="Keep it as" :options="choices" />
      <template v-if="chosen === FRESH">
        <FormRow label="Title"
          ><input v-model="title" class="field" required :maxlength="limits?.textLength"
        /></FormRow>
        <FormRow label="Description"
          ><input v-model="description" class="field" :maxlength="limits?.textLength"
        /></FormRow>
        <PictureChoice v-model="picture" />
      </template>
      <p v-else class="soft">Sessions that have it already stay as they are.</p>
      <NButton attr-type="submit" type="primary" :loading="busy" :disabled="chosen === FRESH && !title.trim()">
        {{ chosen === FRESH ? 'Keep as kit' : 'Bring it up to date' }}
      </NButton>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
