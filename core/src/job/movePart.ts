import { fromPoints, fromSetpoint, type OnOffBehaviour } from './behaviour'

export type MovedPart = 'set' | 'on' | 'off' | 'bar' | 'lowest' | 'highest' | 'alarm' | 'alarmLow'

/**
 * A plan after one part of the ladder was moved to a temperature. The set and the bar carry cut-in and cut-out along; a cut-in or
 * a cut-out moves alone and stops one step before the other; limits and alarms move alone.
 * @param stepK narrowest swing that a drag can make
 */
export function movePart(plan: OnOffBehaviour, part: MovedPart, toC: number, stepK: number): OnOffBehaviour {
  const { aboveK, belowK, swingIs, ...rest } = plan
  const { action, convention, swingK } = plan
  const heats = action === 'heating'
  const said = (words: Partial<OnOffBehaviour>) => ({ ...rest, ...words }) as OnOffBehaviour
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
      return said(fromSetpoint(action, convention, toC, swingK, { aboveK, belowK, swingIs }))
    case 'on': {
      const onC = heats ? Math.min(toC, plan.offC - stepK) : Math.max(toC, plan.offC + stepK)
      return said(keepSplit(plan, fromPoints(onC, plan.offC, action, convention, swingIs)))
    }
    case 'off': {
      const offC = heats ? Math.max(toC, plan.onC + stepK) : Math.min(toC, plan.onC - stepK)
      return said(keepSplit(plan, fromPoints(plan.onC, offC, action, convention, swingIs)))
    }
  }
}

/** Under `split` the set stays where it is while it lies between the points. */
function keepSplit(plan: OnOffBehaviour, words: ReturnType<typeof fromPoints>) {
  const low = Math.min(words.onC, words.offC)
  const high = Math.max(words.onC, words.offC)
  if (plan.convention !== 'split' || plan.setpointC < low || plan.setpointC > high) return words
  return { ...words, setpointC: plan.setpointC, aboveK: high - plan.setpointC, belowK: plan.setpointC - low }
}
