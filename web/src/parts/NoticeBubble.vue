<script setup lang="ts">
import { computed } from 'vue'
import { dismiss, notice, type Offer } from '@/desk/notice'

const WIDTH = 340

const place = computed(() => ({
  left: `${Math.max(12, Math.min(notice.value?.x ?? 0, innerWidth - WIDTH - 12))}px`,
  top: `${Math.max(12, Math.min(notice.value?.y ?? 0, innerHeight - 90))}px`,
}))

function take(offer: Offer) {
  dismiss()
  offer.act()
}
</script>

<template>
  <div v-if="notice" class="bubble" role="alert" :style="place">
    <span>
      {{ notice.sentence }}
      <button v-if="notice.offer" class="word offer" @click="take(notice.offer)">{{ notice.offer.words }}</button>
    </span>
    <button class="plain" aria-label="Close this message" @click="dismiss">×</button>
  </div>
</template>

<style scoped>
.bubble {
  position: fixed;
  z-index: 4000;
  width: 340px;
  display: flex;
  gap: 10px;
  padding: 10px 12px;
  background: var(--sheet);
  border: 1px solid var(--flare);
  border-left-width: 4px;
  border-radius: var(--round);
  box-shadow: 0 6px 24px var(--shade);
}

.offer {
  display: block;
  margin-top: 6px;
  text-align: left;
}

.plain {
  font-size: 18px;
  line-height: 1;
  margin-left: auto;
}
</style>
