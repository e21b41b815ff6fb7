import { type Behaviour, type OnOffBehaviour, type Switching, switchingOf } from '../settings/behaviour'

/** A plan of a test that is known to switch. @throws RangeError when it does not */
export function onOff(plan: Behaviour | undefined): OnOffBehaviour {
  if (plan?.kind !== 'on-off') throw new RangeError(`the plan is ${plan?.kind ?? 'not there'}, not on-off`)
  return plan
}

/** Where the plan of a test switches. @throws RangeError when it does not */
export const pointsOf = (plan: Behaviour | undefined): Switching => switchingOf(onOff(plan))
