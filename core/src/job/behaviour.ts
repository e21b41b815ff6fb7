import { type Action, type Convention, switchingPoints } from '../control/switchingPoints'
import type { Anchor } from '../control/proportional'
import { translate } from '../control/translate'
import type { PortRef } from './chain'
import { remembered } from './remembered'

/** What a controller does when its probe is broken or shorted. */
export type ProbeFault = 'off' | 'on' | 'last' | 'duty'

/** What every planned output has, whatever way it controls. */
interface Planned {
  readonly order: number
  readonly output: PortRef
  readonly input: PortRef
  readonly action: Action
  readonly setpointC: number
  readonly lowestC?: number
  readonly highestC?: number
  readonly alarmHighC?: number
  readonly alarmLowC?: number
  readonly offsetK: number
  readonly probeFault: ProbeFault
  /** Share of full that it runs at without its probe, where the probe fault is `duty`. */
  readonly dutyPercent?: number
}

/**
 * Planned on/off behaviour of one output. `onC` and `offC` are what it does; setpoint and swing say the same in the
 * words of one convention. They are only written together, by the functions below.
 */
export interface OnOffBehaviour extends Planned {
  readonly kind: 'on-off'
  readonly convention: Convention
  /** Width from cut-in to cut-out, always over 0; `signed` puts the sign on when it is keyed. */
  readonly swingK: number
  /** Only for `split`. */
  readonly aboveK?: number
  readonly belowK?: number
  /** Only for `centred`: whether the controller's own parameter counts total or each side. */
  readonly swingIs?: 'total' | 'each-side'
  readonly onC: number
  readonly offC: number
  readonly minimumOffS: number
  /** A stage that is not used: nothing is keyed for its output, and nothing is asked of it. */
  readonly unused?: true
}

/** Planned behaviour of an output that gives more or less: a signal, a valve driven open and closed, a relay that takes its share of a beat. */
export interface BandBehaviour extends Planned {
  readonly kind: 'band'
  readonly anchor: Anchor
  /** From nothing to full. */
  readonly bandK: number
  /** Integral time; 0 is without. */
  readonly integralS: number
  readonly minimumPercent: number
  readonly maximumPercent: number
  /** Beat of an output that is on for its share of it. */
  readonly cycleS?: number
  /** End to end, of a valve that is driven open and closed. */
  readonly travelS?: number
}

/** Planned behaviour of a fan output: the stronger of two demands, never under its minimum. */
export interface FanBehaviour extends Planned {
  readonly kind: 'fan'
  /** To full speed over. */
  readonly bandK: number
  readonly humidityPercent?: number
  readonly humidityBandPercent?: number
  /** `off` lets it stop. */
  readonly minimumPercent: number | 'off'
  readonly minimumMode: 'floor' | 'scaled'
}

export type Behaviour = OnOffBehaviour | BandBehaviour | FanBehaviour
/** A planned output with its id. */
export type PlanOf<B extends Behaviour = Behaviour> = B & { readonly id: string }

/** The planned outputs in order, those that are not used left out. */
export const plansOf = remembered((planned: Readonly<Record<string, Behaviour>>): readonly PlanOf[] =>
  Object.entries(planned)
    .map(([id, plan]): PlanOf => ({ ...plan, id }))
    .filter((plan) => !(plan.kind === 'on-off' && plan.unused))
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)),
)

/** The planned outputs that switch, in order, those that are not used left out. */
export const switchingPlans = (planned: Readonly<Record<string, Behaviour>>): PlanOf<OnOffBehaviour>[] =>
  plansOf(planned).filter((plan): plan is PlanOf<OnOffBehaviour> => plan.kind === 'on-off')

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
