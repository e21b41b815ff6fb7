import type { Action } from '../../../control/action'
import { Refused } from '../../../units/refused'
/** Where the swing sits about the setpoint; see each case of `band`. */
export const conventions = ['cut-out', 'cut-in', 'below', 'above', 'centred', 'split', 'signed'] as const
export type Convention = (typeof conventions)[number]

export interface SwitchingInput {
  /** Left out only for `signed`, where the sign of the swing says it. */
  readonly action?: Action | undefined
  readonly convention: Convention
  readonly setpointC: number
  /** Full width from cut-in to cut-out, K; for `signed` with its sign. */
  readonly swingK?: number | undefined
  readonly aboveK?: number | undefined
  readonly belowK?: number | undefined
  /** `each-side` (for `centred` only): the keyed swing counts once above and once below the setpoint. */
  readonly swingIs?: 'total' | 'each-side' | undefined
}

interface SwitchingPoints {
  readonly onC: number
  readonly offC: number
  readonly action: Action
}

function need(name: string, value: number | undefined, least: 'over 0' | '0 or more'): number {
  const good = value !== undefined && Number.isFinite(value) && (least === 'over 0' ? value > 0 : value >= 0)
  if (!good) throw new Refused(name, { must: 'other', says: `${value ?? 'is missing'}: it must be ${least}` })
  return value
}

/**
 * Where a two-point control switches on and off.
 * `cut-out`: the setpoint is where it switches off. `cut-in`: where it switches on. `below` / `above`: the band hangs under /
 * stands on the setpoint, whatever the action. `centred`: half each side. `split`: aboveK and belowK apart.
 * `signed`: the sign of the swing picks the action (negative heats), the setpoint is where it switches off.
 * Formula: by the convention, as below; on and off are a swing apart.
 * @throws RangeError naming the swing that is missing or not over 0
 * @example switchingPoints({ action: 'heating', convention: 'cut-out', setpointC: 21, swingK: 1 }) // { action: 'heating', onC: 20, offC: 21 }
 */
export function switchingPoints(input: SwitchingInput): SwitchingPoints {
  const { convention, setpointC } = input
  if (!Number.isFinite(setpointC))
    throw new Refused('setpointC', { must: 'other', says: `${setpointC} must be a number` })
  if (input.swingIs === 'each-side' && convention !== 'centred')
    throw new Refused('swingIs', {
      must: 'other',
      says: `each-side belongs to the convention centred, not ${convention}`,
    })
  if (convention === 'signed') return signed(input)
  const { action } = input
  if (!action)
    throw new Refused('action', {
      must: 'other',
      says: `is missing: it must be heating or cooling for the convention ${convention}`,
    })
  const [lowC, highC] = band(input, action)
  return action === 'heating' ? { onC: lowC, offC: highC, action } : { onC: highC, offC: lowC, action }
}

function signed({ action, setpointC, swingK }: SwitchingInput): SwitchingPoints {
  if (swingK === undefined || !Number.isFinite(swingK) || swingK === 0)
    throw new Refused('swingK', {
      must: 'other',
      says: `${swingK ?? 'is missing'}: it must not be 0, under 0 heats and over 0 cools`,
    })
  const says: Action = swingK < 0 ? 'heating' : 'cooling'
  if (action && action !== says)
    throw new Refused('swingK', { must: 'other', says: `${swingK} means ${says}, but action is ${action}` })
  return { onC: setpointC + swingK, offC: setpointC, action: says }
}

function band(input: SwitchingInput, action: Action): readonly [number, number] {
  const { convention, setpointC } = input
  if (convention === 'split') {
    const above = need('aboveK', input.aboveK, '0 or more')
    const below = need('belowK', input.belowK, '0 or more')
    if (above + below === 0)
      throw new Refused('aboveK', { must: 'other', says: 'and belowK are both 0: one of them must be over 0' })
    return [setpointC - below, setpointC + above]
  }
  const swing = need('swingK', input.swingK, 'over 0')
  const heats = action === 'heating'
  switch (convention) {
    case 'cut-out':
      return heats ? [setpointC - swing, setpointC] : [setpointC, setpointC + swing]
    case 'cut-in':
      return heats ? [setpointC, setpointC + swing] : [setpointC - swing, setpointC]
    case 'below':
      return [setpointC - swing, setpointC]
    case 'above':
      return [setpointC, setpointC + swing]
    default: {
      const half = input.swingIs === 'each-side' ? swing : swing / 2
      return [setpointC - half, setpointC + half]
    }
  }
}
