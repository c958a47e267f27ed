<script setup lang="ts">
import { ref } from 'vue'
import LanternLogo from '@/parts/LanternLogo.vue'
import ThemeSwitch from '@/parts/ThemeSwitch.vue'
import BinList from './BinList.vue'
import CopyList from './CopyList.vue'
import NewSession from './NewSession.vue'
import RigCards from './RigCards.vue'
import SessionCards from './SessionCards.vue'
import TemplateCards from './TemplateCards.vue'
import UnusedSounds from './UnusedSounds.vue'

/** Where one arrives: the sessions, the one used last first, and beside them what new ones begin from. */
const sessions = ref<InstanceType<typeof SessionCards>>()
const templates = ref<InstanceType<typeof TemplateCards>>()
const rigs = ref<InstanceType<typeof RigCards>>()
const beginning = ref<InstanceType<typeof NewSession>>()
const bin = ref<InstanceType<typeof BinList>>()

/** Rigs are named wherever something is laid out for one. */
function rigsChanged() {
  void sessions.value?.load()
  void beginning.value?.load()
  void templates.value?.load()
  void bin.value?.load()
}

function takenBack() {
  void sessions.value?.load()
  void templates.value?.load()
  void rigs.value?.load()
  void beginning.value?.load()
}
</script>

<template>
  <div class="home">
    <header>
      <LanternLogo />
      <h1>Vivid Lantern</h1>
      <span class="fill"></span>
      <ThemeSwitch />
    </header>
    <main>
      <div class="left">
        <SessionCards ref="sessions" @template="templates?.load()" @removed="bin?.load()" />
        <RigCards ref="rigs" @changed="rigsChanged" />
        <BinList ref="bin" @taken-back="takenBack" />
        <UnusedSounds />
      </div>
      <div class="right">
        <NewSession ref="beginning" />
        <TemplateCards ref="templates" @removed="bin?.load()" />
      </div>
      <CopyList class="below" @restored="sessions?.load()" />
    </main>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 12px;
  height: 56px;
  padding: 0 24px;
  border-bottom: 1px solid var(--rule-strong);
}

header h1 {
  font-size: 21px;
}

.fill {
  flex: 1;
}

main {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px 36px;
  max-width: 1440px;
  margin: 0 auto;
  padding: 24px;
}

.below {
  grid-column: 1 / -1;
}
</style>
