<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { api, type Card, type Compared, type Picture } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import { pageState } from '@/desk/pageState'
import DialogCard from '@/parts/DialogCard.vue'
import DifferenceTable from '@/parts/DifferenceTable.vue'
import FormRow from '@/parts/FormRow.vue'
import PictureChoice from '@/parts/PictureChoice.vue'
import SelectRow from '@/parts/SelectRow.vue'
import { useLimits } from '@/desk/limits'
import { useBusy } from '@/parts/useBusy'

/** Keeps the session as a template, from which others can begin, or as the next version of one. */
const shown = defineModel<boolean>('shown', { required: true })

/** The choice of a template that is not there yet. */
const FRESH = ''

const desk = useDesk()
const { busy, run } = useBusy()
const limits = useLimits()
const cards = ref<Card[]>([])
const chosen = ref(FRESH)
const title = ref('')
const description = ref('')
const tags = ref('')
const picture = ref<Picture>('lantern')
const withoutNames = ref(false)
const lines = ref<Compared[] | null>(null)

const choices = computed(() => [
  { label: 'a new template', value: FRESH },
  ...cards.value.filter((card) => !card.fixed).map((card) => ({ label: card.about.title, value: card.id })),
])

watch(shown, (now) => {
  if (!now) return
  title.value = desk.session!.name
  chosen.value = FRESH
  void trying(async () => (cards.value = (await api.GET('/api/templates')).data ?? []))
})

watch([chosen, withoutNames], () => {
  lines.value = null
  if (chosen.value === FRESH) return
  void trying(async () => {
    const query = { session: desk.session!.id, withoutNames: withoutNames.value }
    const params = { path: { template: chosen.value }, query }
    lines.value = (await api.GET('/api/templates/{template}/update', { params })).data ?? []
  })
})

const about = () => ({
  title: title.value,
  description: description.value,
  tags: tags.value.split(','),
  picture: picture.value,
})

function keep() {
  return trying(async () => {
    const session = desk.session!.id
    const how = { withoutNames: withoutNames.value, page: pageState(session) }
    if (chosen.value === FRESH) {
      const params = { path: { session } }
      await api.POST('/api/sessions/{session}/template', { params, body: { ...about(), ...how } })
      tell(`"${title.value.trim()}" is kept. Sessions can begin from it at Home.`)
    } else {
      const params = { path: { template: chosen.value } }
      await api.POST('/api/templates/{template}/versions', { params, body: { session, ...how } })
      tell('The template is up to date. Its earlier versions are kept at Home.')
    }
    shown.value = false
  })
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Keep as template" :width="chosen ? 760 : 520">
    <form class="form" @submit.prevent="run(keep)">
      <p class="soft">
        Inputs, tracks, groups, cues, click and what to bring are kept, with where everything is plugged and what the
        page shows.
      </p>
      <SelectRow v-model="chosen" label="Keep it as" :options="choices" />
      <template v-if="chosen === FRESH">
        <FormRow label="Title"
          ><input v-model="title" class="field" required :maxlength="limits?.textLength"
        /></FormRow>
        <FormRow label="Description"
          ><input v-model="description" class="field" :maxlength="limits?.textLength"
        /></FormRow>
        <FormRow label="Tags, with commas between them"><input v-model="tags" class="field" /></FormRow>
        <PictureChoice v-model="picture" />
      </template>
      <label><input v-model="withoutNames" type="checkbox" /> Leave out the performers' names</label>
      <p v-if="lines?.length === 0" class="soft" role="status">The template is up to date already.</p>
      <DifferenceTable
        v-else-if="lines"
        :lines="lines"
        first="In the template"
        second="In this session"
        label="What would change in the template"
      />
      <NButton
        attr-type="submit"
        type="primary"
        :loading="busy"
        :disabled="chosen === FRESH ? !title.trim() : !lines?.length"
      >
        {{ chosen === FRESH ? 'Keep as template' : 'Bring it up to date' }}
      </NButton>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
