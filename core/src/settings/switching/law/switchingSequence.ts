import { Refused } from '../../../units/refused'
import type { Action } from '../../../control/action'

/** Refuses points that stand the wrong way round for the action. @throws RangeError */
export function requireOrder(onC: number, offC: number, action: Action): void {
  if (action === 'heating' ? !(onC < offC) : !(onC > offC))
    throw new Refused('onC', {
      must: action === 'heating' ? 'under' : 'over',
      value: onC,
      than: offC,
      thanField: 'offC',
      when: ` for ${action}`,
    })
}

/**
 * What a two-point control does over a row of readings. It acts at the threshold itself and keeps its state in between.
 * Formula: heating is on at or under its cut-in, off at or over its cut-out; cooling the other way round.
 * @throws RangeError when on and off stand the wrong way round for the action
 * @example switchingSequence(18, 20, 'heating', [17, 19, 21, 19, 17]) // [true, true, false, false, true]
 */
export function switchingSequence(
  onC: number,
  offC: number,
  action: Action,
  temperaturesC: readonly number[],
  initialOn = false,
): boolean[] {
  requireOrder(onC, offC, action)
  const reaches = (t: number, point: number, rises: boolean) => (rises ? t >= point : t <= point)
  let on = initialOn
  return temperaturesC.map((t) => {
    if (reaches(t, onC, action === 'cooling')) on = true
    else if (reaches(t, offC, action === 'heating')) on = false
    return on
  })
}
