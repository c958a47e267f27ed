<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import { api, type Picture } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { tell, trying } from '@/desk/notice'
import CardPicture from '@/parts/CardPicture.vue'
import DialogCard from '@/parts/DialogCard.vue'
import FormRow from '@/parts/FormRow.vue'

/** Keeps the session as a template, from which others can begin. */
const shown = defineModel<boolean>('shown', { required: true })

const PICTURES: Picture[] = ['lantern', 'mic', 'strings', 'brass', 'drum', 'keys', 'voices', 'boat']

const desk = useDesk()
const title = ref('')
const description = ref('')
const tags = ref('')
const picture = ref<Picture>('lantern')
const withoutNames = ref(false)

watch(shown, (now) => {
  if (now) title.value = desk.session!.name
})

function keep() {
  return trying(async () => {
    await api.POST('/api/sessions/{session}/template', {
      params: { path: { session: desk.session!.id } },
      body: {
        title: title.value,
        description: description.value,
        tags: tags.value.split(','),
        picture: picture.value,
        withoutNames: withoutNames.value,
      },
    })
    shown.value = false
    tell(`"${title.value.trim()}" is kept. Sessions can begin from it at Home.`)
  })
}
</script>

<template>
  <DialogCard v-model:show="shown" title="Keep as template" :width="520">
    <form class="form" @submit.prevent="keep">
      <p class="soft">Inputs, tracks, cues and click are kept, with where everything is plugged.</p>
      <FormRow label="Title"><input v-model="title" class="field" required maxlength="400" /></FormRow>
      <FormRow label="Description"><input v-model="description" class="field" maxlength="400" /></FormRow>
      <FormRow label="Tags, with commas between them"><input v-model="tags" class="field" /></FormRow>
      <div role="radiogroup" aria-label="Picture" class="pictures">
        <button
          v-for="each in PICTURES"
          :key="each"
          type="button"
          role="radio"
          class="plain"
          :aria-checked="each === picture"
          :aria-label="each"
          :title="each"
          @click="picture = each"
        >
          <CardPicture :picture="each" />
        </button>
      </div>
      <label><input v-model="withoutNames" type="checkbox" /> Leave out the performers' names</label>
      <NButton attr-type="submit" type="primary" :disabled="!title.trim()">Keep as template</NButton>
    </form>
  </DialogCard>
</template>

<style scoped>
p {
  margin: 0;
}

.pictures {
  display: flex;
  justify-content: space-between;
}

.pictures button {
  padding: 4px;
  border: 1px solid transparent;
  border-radius: 8px;
  line-height: 0;
}

.pictures button[aria-checked='true'] {
  border-color: var(--lantern);
  box-shadow: 0 0 0 3px var(--glow-weak);
}
</style>
