<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FarEnd, Port } from '@/api/client'
import { trying } from '@/desk/notice'
import { useRig, type End } from '@/desk/rig'
import ChoiceList from '@/parts/ChoiceList.vue'

/** The other end of a fixed cable at a port: where it comes from, or where it goes to; pressed, it can be chosen. */
const { port, end } = defineProps<{ port: Port; end: End }>()

const store = useRig()
const choosing = ref(false)
const offered = ref<FarEnd[]>([])

/** A point of a patch bay has a cable on either side. */
const both = computed(() => store.endsOf(port.id).length > 1)
const lead = computed(() => (both.value ? (end === 'to' ? 'to' : 'from') : end === 'to' ? '→' : '←'))
const other = computed(() => store.otherEnd(port.id, end))
const name = computed(() =>
  end === 'to' ? `Where ${port.houseLabel} goes on to` : `What is tied into ${port.houseLabel}`,
)
const options = computed(() => offered.value.map(({ label }, value) => ({ label, value })))

async function choose() {
  choosing.value = await trying(async () => (offered.value = await store.farEnds(port.id, end)))
}

async function tie(chosen: number) {
  choosing.value = false
  await store.edit(offered.value[chosen]!.edits)
}
</script>

<template>
  <ChoiceList
    v-if="choosing"
    :value="offered.findIndex((each) => each.chosen)"
    :options="options"
    :label="name"
    @choose="tie"
    @close="choosing = false"
  />
  <button v-else class="plain" :title="name" :aria-label="name" @click="choose">
    <template v-if="other"
      ><span class="soft">{{ lead }}</span> {{ store.label(other) }}</template
    >
    <span v-else class="soft">{{ both && end === 'to' ? 'goes nowhere' : 'not tied' }}</span>
  </button>
</template>

<style scoped>
button {
  cursor: pointer;
}
</style>
