<script setup lang="ts">
import type { Picture } from '@/api/client'
import CardPicture from './CardPicture.vue'

/** The choice of the small picture that a card shows. */
const picture = defineModel<Picture>({ required: true })

const PICTURES: Picture[] = ['lantern', 'mic', 'strings', 'brass', 'drum', 'keys', 'voices', 'boat']
</script>

<template>
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
</template>

<style scoped>
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
