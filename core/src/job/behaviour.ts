import { type Action, type Convention, switchingPoints } from '../control/switchingPoints'
import { translate } from '../control/translate'
import type { PortRef } from './chain'

/**
 * Planned on/off behaviour of one output. `onC` and `offC` are what it does; setpoint and swing say the same in the
 * words of one convention. They are only written together, by the functions below.
 */
export interface OnOffBehaviour {
  readonly kind: 'on-off'
  readonly order: number
  readonly output: PortRef
  readonly input: PortRef
  readonly action: Action
  readonly convention: Convention
  readonly setpointC: number
  /** Width from cut-in to cut-out, always over 0; `signed` puts the sign on when it is keyed. */
  readonly swingK: number
  /** Only for `split`. */
  readonly aboveK?: number
  readonly belowK?: number
  /** Only for `centred`: whether the controller's own parameter counts total or each side. */
  readonly swingIs?: 'total' | 'each-side'
  readonly onC: number
  readonly offC: number
  readonly lowestC?: number
  readonly highestC?: number
  readonly alarmHighC?: number
  readonly offsetK: number
  readonly minimumOffS: number
  readonly probeFault: 'off' | 'on' | 'last' | 'duty'
}

/** The words that say where an on/off output switches. */
export type SwitchingWords = Pick<
  OnOffBehaviour,
  'action' | 'convention' | 'setpointC' | 'swingK' | 'aboveK' | 'belowK' | 'swingIs' | 'onC' | 'offC'
>

/**
 * Setpoint, swing and convention made consistent with the switching points they mean.
 * @throws RangeError when the swing is not over 0
 */
export function fromSetpoint(
  action: Action,
  convention: Convention,
  setpointC: number,
  swingK: number,
  options: {
    aboveK?: number | undefined
    belowK?: number | undefined
    swingIs?: 'total' | 'each-side' | undefined
  } = {},
): SwitchingWords {
  if (!(swingK > 0)) throw new RangeError(`swingK ${swingK} must be over 0`)
  const swingIs = convention === 'centred' ? (options.swingIs ?? 'total') : undefined
  const split =
    convention === 'split' ? { aboveK: options.aboveK ?? swingK / 2, belowK: options.belowK ?? swingK / 2 } : undefined
  const { onC, offC } = switchingPoints({
    action,
    convention,
    setpointC,
    ...split,
    swingK: convention === 'signed' ? (action === 'heating' ? -swingK : swingK) : swingK,
  })
  return {
    action,
    convention,
    setpointC,
    onC,
    offC,
    swingK: split ? split.aboveK + split.belowK : swingK,
    ...split,
    ...(swingIs ? { swingIs } : {}),
  }
}

/** The same switching points in the words of a convention. @throws RangeError when on and off do not fit the action */
export function fromPoints(
  onC: number,
  offC: number,
  action: Action,
  convention: Convention,
  swingIs: 'total' | 'each-side' = 'total',
): SwitchingWords {
  const said = translate(onC, offC, action, convention)
  return {
    action,
    convention,
    setpointC: said.setpointC,
    swingK: Math.abs(onC - offC),
    onC,
    offC,
    ...(said.aboveK !== undefined && said.belowK !== undefined ? { aboveK: said.aboveK, belowK: said.belowK } : {}),
    ...(convention === 'centred' ? { swingIs } : {}),
  }
}

/** The number this controller wants keyed for the swing: half for each-side, negative for a signed heating swing. */
export function keyedSwingK({ convention, swingIs, swingK, action }: SwitchingWords): number {
  if (convention === 'signed') return action === 'heating' ? -swingK : swingK
  return swingIs === 'each-side' ? swingK / 2 : swingK
}
