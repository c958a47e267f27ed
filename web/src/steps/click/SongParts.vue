<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import type { ClickPattern, SongOutline } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { setClick } from '@/desk/song'
import NumberBox from '@/parts/NumberBox.vue'

/** Where the song begins and ends, and for each of its parts what the click does there. */
const { song } = defineProps<{ song: SongOutline; click: ClickPattern }>()

const desk = useDesk()

type Part = SongOutline['parts'][number]

const need = (part: Part, needed: boolean) => desk.edit([{ kind: 'set-needs-click', marker: part.marker, needed }])

function silence(part: Part, silent: boolean) {
  return setClick(desk, ({ silentIn }) => {
    const others = silentIn.filter((each) => each !== part.marker)
    return { silentIn: silent ? [...others, part.marker] : others }
  })
}
</script>

<template>
  <div>
    <h2>Its beginning and its end</h2>
    <p>
      It begins
      <NumberBox
        class="number"
        :value="Number(song.pickUpCounts.toFixed(2))"
        :min="0"
        label="Beats of pick-up"
        :set="(beats) => desk.edit([{ kind: 'set-pick-up', beats }])"
      />
      beats before bar 1 and ends with bar
      <NumberBox
        class="number"
        placeholder="open"
        :value="song.lastBar"
        :min="1"
        label="Last bar"
        :set="(lastBar) => desk.edit([{ kind: 'set-song-end', lastBar }])"
        :optional="() => desk.edit([{ kind: 'set-song-end', lastBar: null }])"
      />
    </p>
    <h2>Its parts</h2>
    <p v-if="song.parts.length === 0" class="soft">None yet. Let one begin at a bar in the list.</p>
    <table v-else class="set-up" aria-label="Parts of the song">
      <thead>
        <tr>
          <th>part</th>
          <th style="width: 96px">length</th>
          <th style="width: 110px">needs a click</th>
          <th style="width: 110px">click is silent</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(part, at) in song.parts" :key="part.marker">
          <td>
            <button
              class="plain go"
              :disabled="!desk.live"
              :title="`Go to bar ${part.bar}${at < 9 ? ` (Shift ${at + 1})` : ''}`"
              @click="desk.command({ kind: 'locate', bar: part.bar })"
            >
              {{ part.name }}
            </button>
          </td>
          <td>{{ part.bars }} {{ part.bars === 1 ? 'bar' : 'bars' }}</td>
          <td>
            <NCheckbox
              :checked="part.needsClick"
              :aria-label="`${part.name} needs a click`"
              @update:checked="(needed: boolean) => need(part, needed)"
            />
          </td>
          <td>
            <NCheckbox
              :checked="part.silent"
              :aria-label="`The click is silent in ${part.name}`"
              @update:checked="(silent: boolean) => silence(part, silent)"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
h2 {
  font-size: 16px;
}

p {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0 18px;
}

.number {
  width: 64px;
}

.go {
  color: var(--sea);
  font-weight: 600;
}
</style>
