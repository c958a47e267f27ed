import type { Mic } from '@/api/client'

/** The kinds of mics and DI boxes, and what +48 V is to each. */
export const MIC_KINDS: { label: string; value: Mic['kind']; phantom: string }[] = [
  { label: 'large condenser', value: 'large-condenser', phantom: 'needs +48 V' },
  { label: 'small condenser', value: 'small-condenser', phantom: 'needs +48 V' },
  { label: 'ribbon', value: 'ribbon', phantom: 'never +48 V' },
  { label: 'dynamic', value: 'dynamic', phantom: 'no +48 V' },
  { label: 'passive DI', value: 'passive-di', phantom: 'no +48 V' },
  { label: 'active DI', value: 'active-di', phantom: 'needs +48 V' },
]

export const micKind = (mic: Mic) => MIC_KINDS.find((each) => each.value === mic.kind)!
