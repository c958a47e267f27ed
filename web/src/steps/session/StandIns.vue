<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Command, Preamp } from '@/api/client'
import { useDesk } from '@/desk/desk'
import { useRig } from '@/desk/rig'
import NamedSelect from '@/parts/NamedSelect.vue'
import NumberBox from '@/parts/NumberBox.vue'
import StandInOutlets from './StandInOutlets.vue'

/** The simulated players, plainly marked as what they are. */
const desk = useDesk()
/** Where there is room for it, it begins open. */
const open = ref(matchMedia('(min-width: 1101px)').matches)
const rig = useRig()
/** Whether the headphone amps are looked at. */
const amps = ref(false)

const options = computed(() => [
  { label: 'All play', value: 'all' },
  ...(desk.live?.playerIds ?? []).map((id) => ({
    label: `${desk.performers.find((performer) => performer.id === id)?.name ?? id.replaceAll('-', ' ')} alone`,
    value: id,
  })),
  { label: 'All quiet', value: 'none' },
])

type Fate = Extract<Command, { kind: 'interface-fate' }>['fate']
const FATES: { label: string; value: Fate }[] = [
  { label: 'Interface on', value: 'there' },
  { label: 'Cable out', value: 'pulled' },
  { label: 'Used elsewhere', value: 'busy' },
]

type Strain = Pick<Extract<Command, { kind: 'strain-computer' }>, 'load' | 'jitterMs'>
const STRAINS: { label: string; value: string; strain: Strain }[] = [
  { label: 'Not busy', value: '0/0', strain: { load: 0, jitterMs: 0 } },
  { label: 'Half busy', value: '0.5/0', strain: { load: 0.5, jitterMs: 0 } },
  { label: 'Overloaded', value: '1.2/0', strain: { load: 1.2, jitterMs: 0 } },
  { label: 'Uneven', value: '0/20', strain: { load: 0, jitterMs: 20 } },
]
const strained = computed(() => `${desk.live!.strain.load}/${desk.live!.strain.jitterMs}`)

function strain(value: string) {
  const chosen = STRAINS.find((each) => each.value === value)
  return chosen && desk.command({ kind: 'strain-computer', ...chosen.strain })
}

/** The fronts that no program can reach, by the house's names for them. */
const fronts = computed(() =>
  (desk.live?.fronts ?? []).map((front) => ({ ...front, at: rig.rig?.ports.find((port) => port.id === front.port) })),
)

function turn(front: Preamp, gainDb: number, phantom: boolean) {
  return desk.command({ kind: 'turn', port: front.port, gainDb, phantom })
}
</script>

<template>
  <section class="stand-ins" aria-label="Stand-ins">
    <button class="plain head" :aria-expanded="open" @click="open = !open">
      <h3>Stand-ins</h3>
      <span aria-hidden="true">{{ open ? '▾' : '▸' }}</span>
    </button>
    <div v-if="open" class="inside">
      <p>Simulated players in a simulated room.</p>
      <NamedSelect
        :value="desk.live!.players"
        :options="options"
        label="Who of the stand-ins plays"
        @update:value="(who: string) => desk.command({ kind: 'players', who })"
      />
      <NamedSelect
        class="fate"
        :value="desk.live!.interfaceFate"
        :options="FATES"
        label="What happens to the simulated interface"
        @update:value="(fate: Fate) => desk.command({ kind: 'interface-fate', fate })"
      />
      <NamedSelect
        class="busy"
        :value="strained"
        :options="STRAINS"
        label="How busy the simulated computer is"
        @update:value="strain"
      />
      <details v-if="fronts.length">
        <summary>Turn by hand</summary>
        <div class="fronts">
          <div v-for="front in fronts" :key="front.port" class="front">
            <span>{{ front.at?.houseLabel }}</span>
            <NumberBox
              :label="`Gain at ${front.at?.houseLabel} in dB`"
              :value="front.setting.gainDb"
              :range="front.at && { from: front.at.gain.minDb, to: front.at.gain.maxDb }"
              :step="front.at?.gain.stepDb"
              :set="(gainDb) => turn(front, gainDb, front.setting.phantom)"
            />
            <button
              v-if="front.at?.phantom"
              class="word"
              :aria-pressed="front.setting.phantom"
              :aria-label="`+48 V at ${front.at.houseLabel}`"
              @click="turn(front, front.setting.gainDb, !front.setting.phantom)"
            >
              48 V
            </button>
          </div>
        </div>
      </details>
      <details v-if="desk.live!.outlets.length" @toggle="amps = ($event.target as HTMLDetailsElement).open">
        <summary>Headphone amps</summary>
        <StandInOutlets v-if="amps" />
      </details>
    </div>
  </section>
</template>

<style scoped>
.stand-ins {
  margin: 0 12px;
  padding: 10px;
  border: 1px dashed var(--rule-strong);
  border-radius: 8px;
}

.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 6px;
  width: 100%;
}

h3 {
  font-size: 14px;
}

details,
.busy,
.fate {
  margin-top: 8px;
  font-size: 12.5px;
}

summary {
  cursor: pointer;
  color: var(--sea);
}

.front {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 6px;
  align-items: center;
  margin-top: 6px;
}

.front span {
  grid-column: 1 / -1;
}

p {
  margin: 2px 0 8px;
  color: var(--soft);
  font-size: 12px;
}

@media (max-width: 1100px) {
  .stand-ins {
    position: relative;
    padding: 4px 10px;
  }

  .inside {
    position: absolute;
    z-index: 10;
    top: 100%;
    right: 0;
    width: 180px;
    margin-top: 8px;
    padding: 10px;
    border: 1px solid var(--rule-strong);
    border-radius: 8px;
    background: var(--raised);
  }
}
</style>
