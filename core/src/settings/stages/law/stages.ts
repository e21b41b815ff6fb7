import { Refused } from '../../../units/refused'
import { type Convention, switchingPoints } from '../../switching/law/switchingPoints'
import { type Action } from '../../../control/action'

export interface Stage {
  readonly stage: number
  readonly setpointC: number
  readonly onC: number
  readonly offC: number
}

export interface StagePointsInput {
  readonly action: Action
  readonly count: number
  readonly firstSetpointC: number
  readonly spacingK: number
  readonly convention: Convention
  /** Width of the band; for `signed` its sign follows the action. */
  readonly swingK?: number | undefined
  readonly aboveK?: number | undefined
  readonly belowK?: number | undefined
}

/**
 * Setpoints of a staged control and where each stage switches. Cooling climbs from stage 1, heating descends.
 * Formula: set of stage n = first ± (n − 1) × spacing; points by the swing convention.
 * @throws RangeError from the swing convention, naming what is missing
 * @example stagePoints({ action: 'cooling', count: 3, firstSetpointC: -2, spacingK: 1, convention: 'cut-out', swingK: 3 })[2].onC // 3
 */
export function stagePoints(input: StagePointsInput): Stage[] {
  const { action, count, firstSetpointC, spacingK, convention, aboveK, belowK } = input
  const swingK =
    convention === 'signed' && input.swingK !== undefined
      ? Math.abs(input.swingK) * (action === 'heating' ? -1 : 1)
      : input.swingK
  return Array.from({ length: count }, (_, i) => {
    const setpointC = firstSetpointC + (action === 'cooling' ? i : -i) * spacingK
    const { onC, offC } = switchingPoints({ action, convention, setpointC, swingK, aboveK, belowK })
    return { stage: i + 1, setpointC, onC, offC }
  })
}

/**
 * Moves every stage by what the first one moves.
 * Formula: each setpoint + (new first − old first).
 * @throws RangeError when there is none
 * @example shiftStages([5, 7, 9], 4) // {"setpointsC":[4, 6, 8], "deltaK":-1}
 */
export function shiftStages(setpointsC: readonly number[], newFirstC: number) {
  const first = setpointsC[0]
  if (first === undefined) throw new Refused('setpointsC', { must: 'other', says: 'are empty: at least one is needed' })
  const deltaK = newFirstC - first
  // The first is what was asked for, not its sum with a rounded difference.
  return { setpointsC: setpointsC.map((set, i) => (i === 0 ? newFirstC : set + deltaK)), deltaK }
}

/**
 * Stage numbers that are on when the temperature came to where it is from far away, rising or falling.
 * Each stage acts at its threshold itself.
 * Formula: a stage is on past its cut-in, off past its cut-out, and in between as it was on the way there.
 * @example stagesEnergised([{ onC: 10, offC: 8 }, { onC: 12, offC: 10 }], 'cooling', 11, 'rising') // [1]
 */
export function stagesEnergised(
  stages: readonly { readonly onC: number; readonly offC: number }[],
  action: Action,
  temperatureC: number,
  direction: 'rising' | 'falling',
): number[] {
  const on = ({ onC, offC }: { readonly onC: number; readonly offC: number }) => {
    if (action === 'heating') return direction === 'rising' ? temperatureC < offC : temperatureC <= onC
    return direction === 'rising' ? temperatureC >= onC : temperatureC > offC
  }
  return stages.flatMap((stage, i) => (on(stage) ? [i + 1] : []))
}

interface StageSequence {
  readonly inSequence: boolean
  /** Stages that should be on before the last one that is. */
  readonly missing: readonly number[]
}

/**
 * Whether the stages that are on are a sound pattern: 1, 1-2, 1-2-3 … in the given order, lead first.
 * @throws RangeError when a number is no stage, or the order does not hold each stage once
 * @example diagnoseStages(3, [1, 3]).missing // [2]
 */
export function diagnoseStages(count: number, energised: readonly number[], order?: readonly number[]): StageSequence {
  const stages = Array.from({ length: count }, (_, i) => i + 1)
  for (const stage of energised)
    if (!stages.includes(stage))
      throw new Refused('energised', { must: 'other', says: `holds ${stage}: stages go from 1 to ${count}` })
  const sequence = order ?? stages
  if (sequence.length !== count || stages.some((stage) => !sequence.includes(stage)))
    throw new Refused('order', {
      must: 'other',
      says: `${sequence.join(', ')} must hold each stage from 1 to ${count} once`,
    })
  const on = new Set(energised)
  const last = sequence.reduce((at, stage, i) => (on.has(stage) ? i : at), -1)
  const missing = sequence.slice(0, last + 1).filter((stage) => !on.has(stage))
  return { inSequence: missing.length === 0, missing }
}
