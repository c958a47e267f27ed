<script setup lang="ts">
import { computed } from 'vue'
import type { Performer } from '@/api/client'

/** A performer's round badge: two letters on one of twelve patterns, told apart without colour. */
const { performer, of, quiet } = defineProps<{ performer: Performer; of: Performer[]; quiet?: boolean }>()

const PATTERNS = 12

const pattern = computed(
  () =>
    Math.max(
      0,
      of.findIndex((each) => each.id === performer.id),
    ) % PATTERNS,
)
</script>

<template>
  <span class="mark" :class="[`pattern-${pattern}`, { quiet }]" :title="performer.name">
    <span>{{ performer.badge }}</span>
  </span>
</template>

<style scoped>
.mark {
  --line: var(--rule-strong);
  display: inline-grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1px solid var(--ink);
  border-radius: 50%;
  background-color: var(--sheet);
  color: var(--ink);
  font-size: 11px;
  font-weight: 600;
}

.mark span {
  padding: 0 1px;
  border-radius: 3px;
  background: var(--sheet);
  line-height: 12px;
}

.quiet {
  border: 1px dashed var(--rule-strong);
  background: none;
  color: var(--soft);
  font-weight: 400;
}

.quiet span {
  background: none;
}

.pattern-0:not(.quiet) {
  background-image: repeating-linear-gradient(45deg, var(--line) 0 1px, transparent 1px 4px);
}
.pattern-1:not(.quiet) {
  background-image: radial-gradient(var(--line) 1px, transparent 1.2px);
  background-size: 4px 4px;
}
.pattern-2:not(.quiet) {
  background-image: repeating-linear-gradient(0deg, var(--line) 0 1px, transparent 1px 4px);
}
.pattern-3:not(.quiet) {
  background-image: linear-gradient(90deg, var(--line) 50%, transparent 50%);
}
.pattern-4:not(.quiet) {
  background-image: repeating-radial-gradient(circle, var(--line) 0 1px, transparent 1px 4px);
}
.pattern-5:not(.quiet) {
  background-image: repeating-linear-gradient(90deg, var(--line) 0 1px, transparent 1px 4px);
}
.pattern-6:not(.quiet) {
  background-image: linear-gradient(0deg, var(--line) 50%, transparent 50%);
}
.pattern-7:not(.quiet) {
  background-image: repeating-linear-gradient(135deg, var(--line) 0 1px, transparent 1px 4px);
}
.pattern-8:not(.quiet) {
  background-image: conic-gradient(var(--line) 25%, transparent 0 50%, var(--line) 0 75%, transparent 0);
}
.pattern-9:not(.quiet) {
  background-image: linear-gradient(135deg, var(--line) 50%, transparent 50%);
}
.pattern-10:not(.quiet) {
  background-image: radial-gradient(circle, transparent 60%, var(--line) 60%);
}
.pattern-11:not(.quiet) {
  background-image:
    repeating-linear-gradient(45deg, var(--line) 0 1px, transparent 1px 4px),
    repeating-linear-gradient(135deg, var(--line) 0 1px, transparent 1px 4px);
}
</style>
