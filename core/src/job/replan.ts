import type { Convention } from '../control/switchingPoints'
import { fromPoints, fromSetpoint, type OnOffBehaviour } from './behaviour'

/** A plan without the words of its convention, to be given new ones. */
function wordless({ aboveK: _a, belowK: _b, swingIs: _s, ...rest }: OnOffBehaviour) {
  return rest
}

/** What can be said anew of a plan's switching points; what is left out stays. */
export interface NewWords {
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
  const setpointC = words.setpointC ?? plan.setpointC
  if (convention !== 'split')
    return {
      ...wordless(plan),
      ...fromSetpoint(action, convention, setpointC, words.swingK ?? plan.swingK, { swingIs }),
    }
  const share = (words.swingK ?? plan.swingK) / plan.swingK
  const aboveK = words.aboveK ?? (plan.aboveK ?? plan.swingK / 2) * share
  const belowK = words.belowK ?? (plan.belowK ?? plan.swingK / 2) * share
  return { ...wordless(plan), ...fromSetpoint(action, convention, setpointC, aboveK + belowK, { aboveK, belowK }) }
}

/** The same switching points in the words of another convention. */
export function inConvention(
  plan: OnOffBehaviour,
  convention: Convention,
  swingIs: 'total' | 'each-side' = 'total',
): OnOffBehaviour {
  return { ...wordless(plan), ...fromPoints(plan.onC, plan.offC, plan.action, convention, swingIs) }
}
