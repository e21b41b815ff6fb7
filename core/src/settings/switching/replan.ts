import type { Convention } from './law/switchingPoints'
import { fromPoints, fromSetpoint, type OnOffBehaviour, switchingOf, withSwitching } from '../behaviour'

/** What can be said anew of a plan's switching points; what is left out stays. */
interface NewWords {
  readonly setpointC?: number
  readonly swingK?: number
  /** Only for `split`; a new swing there is shared out as the old one was. */
  readonly aboveK?: number
  readonly belowK?: number
}

/**
 * A plan with its set or its swing said anew in its own convention; the switching points follow.
 * @throws RangeError when the swing is not over 0
 */
export function replan(plan: OnOffBehaviour, words: NewWords): OnOffBehaviour {
  const { action, convention, swingIs } = plan
  const { swingK } = switchingOf(plan)
  const setpointC = words.setpointC ?? plan.setpointC
  if (convention !== 'split')
    return withSwitching(plan, fromSetpoint(action, convention, setpointC, words.swingK ?? swingK, { swingIs }))
  const share = (words.swingK ?? swingK) / swingK
  const aboveK = words.aboveK ?? (plan.aboveK ?? swingK / 2) * share
  const belowK = words.belowK ?? (plan.belowK ?? swingK / 2) * share
  return withSwitching(plan, fromSetpoint(action, convention, setpointC, aboveK + belowK, { aboveK, belowK }))
}

/** The same switching points in the words of another convention. */
export function inConvention(
  plan: OnOffBehaviour,
  convention: Convention,
  swingIs: 'total' | 'each-side' = 'total',
): OnOffBehaviour {
  const { onC, offC } = switchingOf(plan)
  return withSwitching(plan, fromPoints(onC, offC, plan.action, convention, swingIs))
}
