import { bandEnds } from './band/law/proportional'
import { Refused } from '../units/refused'
import { type Convention, switchingPoints } from './switching/law/switchingPoints'
import { type Action } from '../control/action'
import { translate } from './switching/law/translate'
import type { OfKind, Value } from '../schema/value'
import type { planVariant } from './planFields'
import { remembered } from '../memory/remembered'

/** What a controller does when its probe is broken or shorted. */
export type ProbeFault = Behaviour['probeFault']

/** Planned on/off behaviour of one output, as it is stored: in the words of one convention. Where it switches follows from them. */
export interface OnOffBehaviour extends OfKind<typeof planVariant, 'on-off'> {}
/** Planned behaviour of an output that gives more or less: a signal, a valve driven open and closed, a relay that takes its share of a cycle. */
export interface BandBehaviour extends OfKind<typeof planVariant, 'band'> {}
/** Planned behaviour of a fan output: the stronger of two demands, never under its minimum. */
export interface FanBehaviour extends OfKind<typeof planVariant, 'fan'> {}
/** What is planned for one output. */
export type Behaviour = Value<typeof planVariant>

/** Where an on/off output switches, and how far apart that is. */
export interface Switching {
  readonly onC: number
  readonly offC: number
  /** Width from cut-in to cut-out, always over 0. */
  readonly swingK: number
}

/** A planned output with its id; of one that switches also where it does. */
export type PlanOf<B extends Behaviour = Behaviour> = B extends OnOffBehaviour
  ? B & Switching & { readonly id: string }
  : B & { readonly id: string }

/** The words that say where an on/off output switches. */
export type SwitchingWords = Pick<
  OnOffBehaviour,
  'action' | 'convention' | 'setpointC' | 'swingK' | 'aboveK' | 'belowK' | 'swingIs'
>

/**
 * Where an on/off output switches by the words of its plan. Of `split` the two parts count, of every other convention the swing.
 * @throws RangeError when neither says how far apart on and off are
 */
export function switchingOf(words: SwitchingWords): Switching {
  const { action, convention, setpointC, aboveK, belowK } = words
  const split = convention === 'split'
  const swingK = split ? (aboveK ?? 0) + (belowK ?? 0) : (words.swingK ?? 0)
  const { onC, offC } = switchingPoints({
    ...{ action, convention, setpointC },
    ...(split ? { aboveK, belowK } : {}),
    swingK: convention === 'signed' && action === 'heating' ? -swingK : swingK,
  })
  return { onC, offC, swingK }
}

const resolved = remembered((plan: Behaviour) => (plan.kind === 'on-off' ? { ...plan, ...switchingOf(plan) } : plan))

/** A plan with its id, and where it switches. */
export const planOf = <B extends Behaviour>(id: string, plan: B): PlanOf<B> =>
  ({ ...resolved(plan), id }) as unknown as PlanOf<B>

/** The plan alone, as it is stored: without its id and what follows from it. */
export function storedPlan<B extends Behaviour>(plan: B | PlanOf<B>): B {
  const { id: _id, onC: _on, offC: _off, swingK, ...rest } = plan as Partial<PlanOf<OnOffBehaviour>>
  return { ...rest, ...(swingK === undefined || rest.convention === 'split' ? {} : { swingK }) } as unknown as B
}

/** The same plan with other words for where it switches. */
export function withSwitching(plan: OnOffBehaviour, words: SwitchingWords): OnOffBehaviour {
  const { swingK: _swing, aboveK: _above, belowK: _below, swingIs: _is, ...rest } = storedPlan(plan)
  return { ...rest, ...words }
}

/** The planned outputs in order, those that are not used left out. */
export const plansOf = remembered((planned: Readonly<Record<string, Behaviour>>): readonly PlanOf[] =>
  Object.entries(planned)
    .filter(([, plan]) => !(plan.kind === 'on-off' && plan.unused))
    .map(([id, plan]): PlanOf => planOf(id, plan))
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)),
)

/** The planned outputs that switch, in order, those that are not used left out. */
export const switchingPlans = (planned: Readonly<Record<string, Behaviour>>): PlanOf<OnOffBehaviour>[] =>
  plansOf(planned).filter((plan): plan is PlanOf<OnOffBehaviour> => plan.kind === 'on-off')

/**
 * Words for a setpoint and a swing in a convention. Of `split` the swing lies half on each side where its parts are not given.
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
  if (!(swingK > 0)) throw new Refused('swingK', { must: 'over', value: swingK, than: 0 })
  const base = { action, convention, setpointC }
  if (convention === 'split')
    return { ...base, aboveK: options.aboveK ?? swingK / 2, belowK: options.belowK ?? swingK / 2 }
  return { ...base, swingK, ...(convention === 'centred' ? { swingIs: options.swingIs ?? 'total' } : {}) }
}

/** The same switching points in the words of a convention. @throws RangeError when on and off do not fit the action */
export function fromPoints(
  onC: number,
  offC: number,
  action: Action,
  convention: Convention,
  swingIs: 'total' | 'each-side' = 'total',
): SwitchingWords {
  const { setpointC, aboveK, belowK } = translate(onC, offC, action, convention)
  return fromSetpoint(action, convention, setpointC, Math.abs(onC - offC), { aboveK, belowK, swingIs })
}

/** The number this controller wants keyed for the swing: half for each-side, negative for a signed heating swing. */
export function keyedSwingK(words: SwitchingWords): number {
  const { convention, swingIs, action } = words
  const { swingK } = switchingOf(words)
  if (convention === 'signed') return action === 'heating' ? -swingK : swingK
  return swingIs === 'each-side' ? swingK / 2 : swingK
}

/**
 * Where an output that gives more or less gives nothing and where it is full, °C: both ends of a band, a fan from its setpoint to full speed.
 * @example givesBetween({ kind: 'fan', setpointC: 24, bandK: 3 }) // { zeroC: 24, fullC: 27 }
 */
export const givesBetween = (
  plan:
    | ({ readonly kind: 'band' } & Pick<BandBehaviour, 'action' | 'anchor' | 'setpointC' | 'bandK'>)
    | ({ readonly kind: 'fan' } & Pick<FanBehaviour, 'setpointC' | 'bandK'>),
): { readonly zeroC: number; readonly fullC: number } =>
  plan.kind === 'fan' ? { zeroC: plan.setpointC, fullC: plan.setpointC + plan.bandK } : bandEnds(plan)
