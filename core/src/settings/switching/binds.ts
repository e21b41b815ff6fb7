import { bindsOf } from '../binding'
import { keyedSwingK, type OnOffBehaviour, type PlanOf } from '../behaviour'

/** What a parameter may bind to in an output that switches on and off. */
export const switchingBinds = bindsOf<PlanOf<OnOffBehaviour>>()({
  swing: (plan) => keyedSwingK(plan),
  above: (plan) => plan.aboveK,
  below: (plan) => plan.belowK,
  convention: (plan) => plan.convention,
  minimumOff: (plan, time) => time(plan.minimumOffS),
})
