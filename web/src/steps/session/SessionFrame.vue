<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useDesk } from '@/desk/desk'
import { groupsSuspended } from '@/desk/groups'
import { unsentWords } from '@/desk/outbox'
import { keepStep } from '@/desk/pageState'
import OutletSteps from '@/steps/cues/OutletSteps.vue'
import { outletsShown } from '@/steps/cues/outlets'
import PerformersDialog from '@/steps/performers/PerformersDialog.vue'
import { performersShown } from '@/steps/performers/shown'
import { useRig } from '@/desk/rig'
import { amongWindows } from '@/desk/windows'
import { BESIDE, STEPS } from '@/steps/steps'
import CommandBox from './CommandBox.vue'
import KeepTemplate from './KeepTemplate.vue'
import KeyList from './KeyList.vue'
import StandIns from './StandIns.vue'
import TopStrip from './TopStrip.vue'
import { useKeys } from './useKeys'

const props = defineProps<{ session: string }>()

const desk = useDesk()
const rig = useRig()
const router = useRouter()
const route = useRoute()
const keysShown = ref(false)
const commandsShown = ref(false)
const keepShown = ref(false)
/** What is not saved yet, in words: the newest three, and how many more. */
const unsent = computed(() => {
  const all = desk.unsent.map((each) => unsentWords(each.change))
  return all.slice(-3).join('; ') + (all.length > 3 ? `; and ${all.length - 3} more` : '')
})
const step = ref<HTMLElement>()
const strip = ref<InstanceType<typeof TopStrip>>()

let alone = () => {}
watch(
  () => props.session,
  (session) => {
    desk.open(session)
    alone()
    alone = amongWindows(session)
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  alone()
  desk.leave()
})
watch(
  () => route.path,
  () => {
    const step = STEPS.find((each) => route.path === `/sessions/${props.session}/${each.path}`)
    if (step) keepStep(props.session, step.path)
  },
  { immediate: true },
)
watch(
  () => desk.session,
  (now) => (document.title = now ? `${now.name}: ${now.song || 'Vivid Lantern'}` : 'Vivid Lantern'),
)

useKeys({
  step: (index) => STEPS[index] && router.push(`/sessions/${props.session}/${STEPS[index].path}`),
  showKeys: () => (keysShown.value = true),
  showCommands: () => (commandsShown.value = true),
  goToBar: () => strip.value?.goToBar(),
})
</script>

<template>
  <div v-if="desk.session" class="frame">
    <a class="skip" href="#step" @click.prevent="step?.focus()">Skip to the page</a>
    <TopStrip ref="strip" />
    <nav aria-label="Steps">
      <RouterLink v-for="each in STEPS" :key="each.path" :to="`/sessions/${session}/${each.path}`">
        <h2>{{ each.title }}</h2>
        <span>{{ each.state(desk, rig) }}</span>
      </RouterLink>
      <span class="fill"></span>
      <StandIns v-if="desk.live" />
      <RouterLink v-for="place in BESIDE" :key="place.path" class="beside" :to="`/sessions/${session}/${place.path}`">
        {{ place.title }}
      </RouterLink>
      <button class="plain keys" @click="keepShown = true">Keep as template</button>
      <a
        class="beside"
        :href="`/api/sessions/${session}/bundle.zip`"
        download
        title="A ZIP file with all of it, to open elsewhere"
      >
        Save as bundle
      </a>
      <button class="plain keys" title="Keys" @click="keysShown = true">
        <kbd>?</kbd><span class="words"> lists the keys</span>
      </button>
    </nav>
    <main id="step" ref="step" tabindex="-1">
      <div v-if="!desk.connected" class="band flare" role="status">
        <span>
          The connection to the program is lost. It reconnects by itself; until then nothing here is live.
          <template v-if="unsent">Not saved yet, and sent as soon as it is back: {{ unsent }}.</template>
        </span>
      </div>
      <div v-else-if="unsent" class="band flare" role="status">Not saved yet, and being sent: {{ unsent }}.</div>
      <div v-else-if="desk.storeTrouble" class="band flare" role="status">{{ desk.storeTrouble }}</div>
      <div v-else-if="desk.coming" class="band" role="status">The interface is starting. You can edit already.</div>
      <div v-else-if="!desk.live" class="band" role="status">
        This session is not at the rig, so nothing sounds. You can edit it all the same.
        <NButton size="small" type="primary" @click="desk.command({ kind: 'take-rig' })">Take the rig</NButton>
      </div>
      <div v-else-if="desk.live.fault" class="band flare" role="status">
        {{ desk.live.fault }} Nothing sounds until it is back; the session stays as it is.
      </div>
      <div v-else-if="desk.live.trouble" class="band flare" role="status">{{ desk.live.trouble }}</div>
      <div v-if="groupsSuspended && desk.session.groups.length" class="band" role="status">
        Groups are suspended: each track moves alone.
        <button class="word" @click="groupsSuspended = false">Let groups act</button> <kbd>G</kbd>
      </div>
      <RouterView />
    </main>
    <KeyList v-model:shown="keysShown" />
    <KeepTemplate v-model:shown="keepShown" />
    <PerformersDialog v-if="performersShown" />
    <OutletSteps v-if="outletsShown" />
    <CommandBox v-model:shown="commandsShown" @keep="keepShown = true" />
  </div>
  <p v-else-if="desk.missing" class="missing">
    There is no such session, it is in the bin, or the program does not answer.
    <RouterLink to="/">To all sessions</RouterLink>
  </p>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 56px minmax(0, 1fr) / 172px minmax(0, 1fr);
  height: 100%;
}

nav {
  display: flex;
  flex-direction: column;
  padding: 14px 0 12px;
  border-right: 1px solid var(--rule-strong);
  min-height: 0;
  overflow: auto;
}

nav a {
  padding: 9px 14px 10px 18px;
  border-left: 3px solid transparent;
  color: var(--ink);
  text-decoration: none;
}

nav a h2 {
  font-size: 16px;
}

nav a span {
  color: var(--soft);
  font-size: 12.5px;
}

nav a:hover {
  background: var(--sea-weak);
}

nav a.router-link-active {
  border-left-color: var(--glow);
  background: linear-gradient(90deg, var(--glow-weak), transparent);
}

.fill {
  flex: 1;
}

nav .beside {
  padding: 6px 15px 0;
  border-left: 3px solid transparent;
  color: var(--soft);
  font-size: 12.5px;
}

.keys {
  padding: 8px 18px 0;
  color: var(--soft);
  font-size: 12.5px;
}

main {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

main > :last-child {
  flex: 1;
}

.band {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 24px;
  border-bottom: 1px solid var(--rule-strong);
  background: var(--raised);
}

/* On a tablet the steps stand in a row, so that the sheets have the whole width. */
@media (max-width: 1100px) {
  .frame {
    grid-template: 56px auto minmax(0, 1fr) / minmax(0, 1fr);
  }

  nav {
    flex-direction: row;
    align-items: center;
    padding: 0 12px;
    border-right: 0;
    border-bottom: 1px solid var(--rule-strong);
    overflow: visible;
  }

  nav a {
    padding: 8px 14px;
    border-left: 0;
    border-bottom: 3px solid transparent;
    white-space: nowrap;
  }

  nav a span {
    display: none;
  }

  nav a.router-link-active {
    border-bottom-color: var(--glow);
    background: var(--glow-weak);
  }

  .keys,
  nav .beside {
    padding: 0 0 0 12px;
    border: 0;
    line-height: 20px;
    white-space: nowrap;
  }

  nav .beside.router-link-active {
    background: none;
    color: var(--ink);
    font-weight: 600;
  }

  .words {
    display: none;
  }
}

/* Text of twice the size, or half a screen: all of it stands below one another, and the page scrolls. */
@media (max-width: 820px) {
  .frame {
    grid-template-rows: auto auto 100vh;
    height: auto;
    min-height: 100%;
  }

  nav {
    flex-wrap: wrap;
  }

  main {
    overflow: auto;
  }
}

.missing {
  padding: 24px;
}
</style>
