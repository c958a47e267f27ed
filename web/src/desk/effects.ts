import { shallowRef, type ShallowRef } from 'vue'
import { api, type OfferedEffect, type StartingPoint } from '@/api/client'

const effects = shallowRef<OfferedEffect[]>([])
const startingPoints = shallowRef<StartingPoint[]>([])
let asked = false

async function ask<Answer>(get: Promise<{ data?: Answer }>, into: ShallowRef<Answer>) {
  const answer = await get.catch(() => null)
  if (answer?.data) into.value = answer.data
  else asked = false
}

/** What chains can hold and what they can begin from; nothing until the program has said so. Asked once. */
export function useEffects() {
  if (!asked) {
    asked = true
    void ask(api.GET('/api/effects'), effects)
    void ask(api.GET('/api/starting-points'), startingPoints)
  }
  return { effects, startingPoints }
}
