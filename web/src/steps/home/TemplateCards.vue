<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api, type Card, type FitOfRig } from '@/api/client'
import { inTurn } from '@/desk/inTurn'
import { trying } from '@/desk/notice'
import CardPicture from '@/parts/CardPicture.vue'
import BeginFrom from './BeginFrom.vue'
import CardMenu from './CardMenu.vue'
import TemplateVersions from './TemplateVersions.vue'

/** The templates, each with what it needs and how it fits each rig. */
const emit = defineEmits<{ removed: [] }>()

const cards = ref<Card[] | null>(null)
const fits = ref(new Map<string, FitOfRig[]>())
const chosen = ref<Card | null>(null)
const versionsOf = ref<Card | null>(null)

function load() {
  return trying(async () => {
    cards.value = (await api.GET('/api/templates')).data ?? []
    for (const card of cards.value) if (fits.value.has(card.id)) await askFits(card)
  })
}

onMounted(load)
defineExpose({ load })

const next = inTurn()

/** How a card fits the rigs there are now. */
function askFits(card: Card) {
  return next(async () => {
    const answer = await api.GET('/api/templates/{template}/fits', { params: { path: { template: card.id } } })
    fits.value = new Map([...fits.value, [card.id, answer.data ?? []]])
  })
}

/** Asks how a card fits once it comes into sight. */
const watching = new IntersectionObserver((seen) => {
  for (const each of seen) {
    const card = cards.value?.find((one) => one.id === (each.target as HTMLElement).dataset.template)
    if (!each.isIntersecting || !card) continue
    watching.unobserve(each.target)
    void trying(() => askFits(card))
  }
})
const vInSight = { mounted: (element: HTMLElement) => watching.observe(element) }

async function begin(card: Card) {
  if (await trying(() => askFits(card))) chosen.value = card
}

const at = (card: Card) => ({ params: { path: { template: card.id } } })

async function rename(card: Card, name: string) {
  await api.POST('/api/templates/{template}/name', { ...at(card), body: { name } })
  await load()
}

async function duplicate(card: Card) {
  await api.POST('/api/templates/{template}/duplicate', at(card))
  await load()
}

async function remove(card: Card) {
  await api.DELETE('/api/templates/{template}', at(card))
  await load()
  emit('removed')
}

const MORE = [
  { label: 'Versions', key: 'versions' },
  { label: 'Save as a file', key: 'file' },
]

/** A browser saves what a link with "download" points to. */
function save(card: Card) {
  const link = document.createElement('a')
  link.href = `/api/templates/${card.id}/document.json`
  link.download = `${card.about.title}, template.json`
  link.click()
}

function more(card: Card, what: string) {
  if (what === 'versions') versionsOf.value = card
  else save(card)
}

const short = (fit: FitOfRig) => `${fit.name}: ${fit.words}`
</script>

<template>
  <section aria-label="Templates">
    <h2>Templates</h2>
    <p v-if="cards?.length === 0" class="soft lead">
      None. Open a session and keep it as a template; the next one begins from it in seconds.
    </p>
    <p v-else class="soft lead">A session that begins from a template has all of it, plugged as the rig allows.</p>
    <div v-for="card in cards" :key="card.id" v-in-sight class="card" :data-template="card.id">
      <CardPicture :picture="card.about.picture" class="picture" />
      <div>
        <div class="line">
          <h3>{{ card.about.title }}</h3>
          <span v-for="tag in card.about.tags" :key="tag" class="tag">{{ tag }}</span>
        </div>
        <p v-if="card.about.description">{{ card.about.description }}</p>
        <p v-if="!card.fixed" class="soft">Needs {{ card.needs }}.</p>
        <p v-for="fit in fits.get(card.id)" :key="fit.rig" class="soft">{{ short(fit) }}.</p>
      </div>
      <div class="doing">
        <NButton size="small" type="primary" :aria-label="`New session from ${card.about.title}`" @click="begin(card)">
          New session
        </NButton>
        <CardMenu
          v-if="!card.fixed"
          :name="card.about.title"
          :more="MORE"
          :rename="(name) => rename(card, name)"
          :duplicate="() => duplicate(card)"
          :remove="() => remove(card)"
          @other="(what) => more(card, what)"
        />
      </div>
    </div>
    <BeginFrom v-if="chosen" :card="chosen" :fits="fits.get(chosen.id) ?? []" :after="null" @close="chosen = null" />
    <TemplateVersions v-if="versionsOf" :card="versionsOf" @close="versionsOf = null" @changed="load" />
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}

h2 {
  font-size: 23px;
}

.lead {
  margin: 4px 0 12px;
}

.card {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) auto;
  align-items: start;
  gap: 14px;
  margin-bottom: 10px;
  padding: 12px 16px;
}

.picture {
  color: var(--lantern);
}

.card p {
  margin: 3px 0;
  font-size: 12.5px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.tag {
  padding: 1px 8px;
  border-radius: 10px;
  background: var(--raised);
  color: var(--soft);
  font-size: 12px;
}

.doing {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>
