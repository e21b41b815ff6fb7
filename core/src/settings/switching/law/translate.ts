import { requireOrder } from './switchingSequence'
import { Refused } from '../../../units/refused'
import type { Convention } from './switchingPoints'
import type { Action } from '../../../control/action'

interface Translation {
  readonly setpointC: number
  readonly swingK?: number
  readonly aboveK?: number
  readonly belowK?: number
}

/**
 * The same behaviour on a controller of another school: which setpoint and swing give these switching points there.
 * The inverse of `switchingPoints`; a `centred` swing is answered as total. For `split` the setpoint is free between the
 * two points and is the middle unless given.
 * Formula: the convention solved for setpoint and swing.
 * @throws RangeError when on and off do not fit the action, or a split setpoint lies outside them
 * @example translate(18, 20, 'heating', 'cut-out').setpointC // 20
 */
export function translate(
  onC: number,
  offC: number,
  action: Action,
  toConvention: Convention,
  setpointC?: number,
): Translation {
  requireOrder(onC, offC, action)
  const swingK = action === 'heating' ? offC - onC : onC - offC
  const lowC = Math.min(onC, offC)
  const highC = Math.max(onC, offC)
  switch (toConvention) {
    case 'cut-out':
      return { setpointC: offC, swingK }
    case 'cut-in':
      return { setpointC: onC, swingK }
    case 'below':
      return { setpointC: highC, swingK }
    case 'above':
      return { setpointC: lowC, swingK }
    case 'centred':
      return { setpointC: (lowC + highC) / 2, swingK }
    case 'signed':
      return { setpointC: offC, swingK: action === 'heating' ? -swingK : swingK }
    case 'split': {
      const middle = setpointC ?? (lowC + highC) / 2
      if (middle < lowC || middle > highC)
        throw new Refused('setpointC', { must: 'between', value: middle, low: lowC, high: highC })
      return { setpointC: middle, aboveK: highC - middle, belowK: middle - lowC }
    }
  }
}
