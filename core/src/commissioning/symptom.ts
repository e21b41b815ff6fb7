import type { LoopKind } from '../kinds/kinds'
import type { WorkflowStep } from '../kinds/hazards'
import type { TestKind } from './proofTest'

/** What must be in a loop for a cause to be possible there. */
export const symptomNeeds = [
  'ntc',
  'platinum',
  'thermocouple',
  'on-off',
  'stages',
  'band',
  'signal',
  'current-loop',
  'fan',
  'drive',
  'two-commons',
  'reset',
  'defrost',
  'battery',
  'timer',
  'relay',
  'solid-state',
  'limiter',
  'permissive',
  'flow-proof',
  'dry-contact',
  'low-voltage',
  'mains',
  'mechanical',
  'humidity',
  'group',
  'fuel',
  'pump',
  'valve',
  'level',
  'pressure',
  'wireless',
] as const
export type SymptomNeed = (typeof symptomNeeds)[number]

export interface SymptomCause {
  readonly says: string
  /** The reading that tells it from the others. Figures in braces are the plan's own. */
  readonly telling: string
  readonly remedy: string
  /** 3 the likeliest, 1 seldom. */
  readonly likely: 1 | 2 | 3
  /** 1 a look, 2 a meter, 3 taking apart. */
  readonly effort: 1 | 2 | 3
  readonly needs?: readonly SymptomNeed[]
  /** A test that tells. */
  readonly test?: TestKind
  readonly step?: WorkflowStep
  readonly part?: string
}

/** One complaint or observation. */
export interface Symptom {
  readonly id: string
  readonly title: string
  /** Other words for it, to be found by. */
  readonly words?: string
  /** Left out where any loop can have it. */
  readonly kinds?: readonly LoopKind[]
  /** Safety: when the reading confirms, stop and refer. */
  readonly stop?: string
  readonly causes: readonly SymptomCause[]
}
