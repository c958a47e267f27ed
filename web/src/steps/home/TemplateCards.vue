<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api, type Card, type FitOfRig } from '@/api/client'
import { trying } from '@/desk/notice'
import CardPicture from '@/parts/CardPicture.vue'
import BeginFrom from './BeginFrom.vue'

/** The templates, each with what it needs and how it fits each rig. */
const cards = ref<Card[] | null>(null)
const fits = ref(new Map<string, FitOfRig[]>())
const chosen = ref<Card | null>(null)

function load() {
  return trying(async () => {
    const all = (await api.GET('/api/templates')).data ?? []
    cards.value = all
    for (const { id } of all) {
      const answer = await api.GET('/api/templates/{template}/fits', { params: { path: { template: id } } })
      fits.value = new Map([...fits.value, [id, answer.data ?? []]])
    }
  })
}

onMounted(load)

async function remove(card: Card) {
  const params = { path: { template: card.id } }
  if (await trying(() => api.DELETE('/api/templates/{template}', { params }))) await load()
}
</script>

<template>
  <section aria-label="Templates">
    <h2>Templates</h2>
    <p v-if="cards?.length === 0" class="soft lead">
      None yet. Open a session and keep it as a template; the next one begins from it in seconds.
    </p>
    <p v-else class="soft lead">A session that begins from a template has all of it, plugged as this rig allows.</p>
    <div class="cards">
      <div v-for="card in cards" :key="card.id" class="card">
        <CardPicture :picture="card.about.picture" class="picture" />
        <div>
          <h3>{{ card.about.title }}</h3>
          <p v-if="card.about.description">{{ card.about.description }}</p>
          <p class="soft">Needs {{ card.needs }}.</p>
          <p v-for="fit in fits.get(card.id)" :key="fit.rig" class="soft">{{ fit.name }}: {{ fit.words }}.</p>
          <span v-for="tag in card.about.tags" :key="tag" class="tag">{{ tag }}</span>
          <p class="doing">
            <NButton
              size="small"
              type="primary"
              :disabled="!fits.has(card.id)"
              :aria-label="`New session from ${card.about.title}`"
              @click="chosen = card"
            >
              New session
            </NButton>
            <a class="word" :href="`/api/templates/${card.id}/document.json`" download>Save as a file</a>
            <button class="word" :aria-label="`Remove ${card.about.title}`" @click="remove(card)">Remove</button>
          </p>
        </div>
      </div>
    </div>
    <BeginFrom v-if="chosen" :card="chosen" :fits="fits.get(chosen.id) ?? []" @close="chosen = null" />
  </section>
</template>

<style scoped>
section {
  margin-top: 32px;
}

h2 {
  font-size: 23px;
}

.lead {
  margin: 4px 0 16px;
}

.card {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  gap: 14px;
}

.picture {
  color: var(--lantern);
}

.card p {
  margin: 4px 0;
  font-size: 12.5px;
}

.tag {
  display: inline-block;
  margin: 2px 6px 2px 0;
  padding: 1px 8px;
  border-radius: 10px;
  background: var(--raised);
  font-size: 12px;
}

.card .doing {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 10px;
}

a.word {
  text-decoration: none;
}
</style>
