import {
  fromPoints,
  fromSetpoint,
  type OnOffBehaviour,
  type SwitchingWords,
  switchingOf,
  withSwitching,
} from '../behaviour'

export type MovedPart = 'set' | 'on' | 'off' | 'bar' | 'lowest' | 'highest' | 'alarm' | 'alarmLow'

/**
 * A plan after one part of the switching points was moved to a temperature. The set and the bar carry cut-in and cut-out along; a cut-in or
 * a cut-out moves alone and stops one step before the other; limits and alarms move alone.
 * @param stepK narrowest swing that a drag can make
 */
export function movePart(plan: OnOffBehaviour, part: MovedPart, toC: number, stepK: number): OnOffBehaviour {
  const { action, convention, aboveK, belowK, swingIs } = plan
  const { swingK, ...points } = switchingOf(plan)
  const heats = action === 'heating'
  switch (part) {
    case 'lowest':
      return { ...plan, lowestC: toC }
    case 'highest':
      return { ...plan, highestC: toC }
    case 'alarm':
      return { ...plan, alarmHighC: toC }
    case 'alarmLow':
      return { ...plan, alarmLowC: toC }
    case 'set':
    case 'bar':
      return withSwitching(plan, fromSetpoint(action, convention, toC, swingK, { aboveK, belowK, swingIs }))
    case 'on': {
      const onC = heats ? Math.min(toC, points.offC - stepK) : Math.max(toC, points.offC + stepK)
      return withSwitching(plan, keepSplit(plan, fromPoints(onC, points.offC, action, convention, swingIs)))
    }
    case 'off': {
      const offC = heats ? Math.max(toC, points.onC + stepK) : Math.min(toC, points.onC - stepK)
      return withSwitching(plan, keepSplit(plan, fromPoints(points.onC, offC, action, convention, swingIs)))
    }
  }
}

/** Under `split` the setpoint stays where it is while it lies between the points. */
function keepSplit(plan: OnOffBehaviour, words: SwitchingWords): SwitchingWords {
  const { onC, offC } = switchingOf(words)
  const low = Math.min(onC, offC)
  const high = Math.max(onC, offC)
  if (plan.convention !== 'split' || plan.setpointC < low || plan.setpointC > high) return words
  return { ...words, setpointC: plan.setpointC, aboveK: high - plan.setpointC, belowK: plan.setpointC - low }
}
