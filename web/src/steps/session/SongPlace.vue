<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useDesk } from '@/desk/desk'
import { tell } from '@/desk/notice'
import { countAt } from '@/desk/bars'

/** Where the song is; pressed, it takes the bar to go to. */
const desk = useDesk()

const typing = ref(false)
const written = ref('')
const box = ref<HTMLInputElement>()

/** Where people count otherwise than it is written, what they count stands behind the beat. */
const bar = computed(() => {
  if (!desk.place) return '–'
  const count = countAt(desk.session!.tempoMap, desk.place)
  return `bar ${desk.place.bar} · ${Math.floor(desk.place.beat)}${count ? ` (${count.count})` : ''}`
})
const time = computed(() => {
  const place = desk.place
  if (!place) return ''
  const seconds = Math.abs(place.seconds)
  const clock = `${place.seconds < 0 ? '−' : ''}${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')}`
  return `${clock} · ${place.beatsPerMinute.toFixed(0)}`
})

async function begin() {
  written.value = String(Math.max(1, desk.place?.bar ?? 1))
  typing.value = true
  await nextTick()
  box.value?.select()
}

function accept() {
  if (!typing.value) return
  typing.value = false
  const wanted = Number(written.value)
  if (!Number.isInteger(wanted) || wanted < 1) return tell('Type a bar number, 1 or higher.')
  void desk.command({ kind: 'locate', bar: wanted })
}

defineExpose({ begin })
</script>

<template>
  <div class="place" role="group" aria-label="Where the song is">
    <input
      v-if="typing"
      ref="box"
      v-model="written"
      class="field"
      aria-label="Go to bar"
      @keydown.enter.stop="accept"
      @keydown.esc.stop="typing = false"
      @keydown.stop
      @blur="typing = false"
    />
    <button v-else class="plain" title="Go to a bar (B)" :disabled="!desk.live" @click="begin">
      <strong>{{ bar }}</strong>
      <span>{{ time }}</span>
    </button>
  </div>
</template>

<style scoped>
.place {
  width: 118px;
  padding-left: 12px;
  border-left: 1px solid var(--rule-strong);
  white-space: nowrap;
}

strong,
span {
  display: block;
}

span {
  color: var(--soft);
  font-size: 12px;
}
</style>
