<script setup lang="ts">
import { computed, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { newSum } from '@/desk/ways'
import EditableText from '@/parts/EditableText.vue'
import SpeakerCells from './SpeakerCells.vue'

/** The head of a folder; of one whose tracks go into a sum in there it is the level, while it is folded. */
const { folder, folded, rename } = defineProps<{
  folder: string
  count: number
  folded: boolean
  rename: (name: string) => Promise<boolean>
}>()
const emit = defineEmits<{ fold: [] }>()

const desk = useDesk()
const sum = computed(() => desk.tracks.find((track) => desk.standingOf(track.id).levelOf === folder))

const giving = ref(false)

async function giveOneLevel() {
  giving.value = true
  try {
    await desk.edit([
      await newSum(
        desk,
        desk.tracks.filter((track) => track.look.folder === folder),
      ),
    ])
  } finally {
    giving.value = false
  }
}
</script>

<template>
  <tr class="folder">
    <td colspan="7">
      <button class="plain fold" :aria-expanded="!folded" :aria-label="`Fold ${folder}`" @click="emit('fold')">
        {{ folded ? '▸' : '▾' }}
      </button>
      <EditableText :text="folder" :label="`Name of the folder ${folder}`" :set="rename" />
      <span class="soft count">{{ count }}</span>
    </td>
    <template v-if="sum && folded">
      <SpeakerCells :track="sum" :level="`Level of the folder ${folder}`" :name="`the folder ${folder}`" />
      <td colspan="2"></td>
    </template>
    <td v-else colspan="4" class="end">
      <button
        v-if="!sum"
        class="word"
        :disabled="giving"
        :title="`Lets all tracks of ${folder} go into a sum, with one level, one mute and one chain`"
        @click="giveOneLevel"
      >
        Give it one level
      </button>
    </td>
  </tr>
</template>

<style scoped>
tr > :deep(td) {
  background: var(--raised);
}

td {
  font-weight: 600;
}

.target > :deep(td) {
  box-shadow: inset 0 0 0 2px var(--sea);
}

.fold {
  width: 22px;
}

.count {
  margin-left: 8px;
  font-weight: 400;
}

.end {
  text-align: right;
}
</style>
