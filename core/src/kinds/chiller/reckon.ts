import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'
import { freezePoint, liquids } from '../freezePoint'

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const made = estimated(asked, 'chiller', estimate, {
    volumeM3: number('volume'),
    insulation: choice('insulation', insulations, 'fair'),
  })
  const loadW = number('heat')
  const size = fieldValue(data, 'chiller.oversize')
  const powerW = powerOf(
    'power',
    ['cooling'],
    sized(size, loadW, `greatest load × ${size.low} to ${size.high} (${size.source})`),
  )
  const liquid = choice('liquid', liquids, 'water')
  const percent =
    liquid === 'water' ? 0 : take('glycol', { value: 30, low: 25, high: 40, why: 'usual share (practice); measure it' })
  // Where the return is held, what leaves is colder by the drop at full load: that counts for ice.
  const drop = fieldValue(data, 'ch.drop')
  const leavingC = take(
    'leaving',
    choice('waterSchool', ['return', 'leaving'], 'leaving') === 'return'
      ? {
          value: targetC - drop.typical,
          low: targetC - drop.high,
          high: targetC - drop.low,
          why: `held on the return, less the drop at full load (${drop.source})`,
        }
      : { value: targetC, low: targetC, high: targetC, why: 'the leaving liquid is held' },
  )
  const evaporatingC = take('evaporating', {
    value: leavingC - 8,
    low: leavingC - 12,
    high: leavingC - 5,
    why: 'leaving liquid less {8 K} (practice)',
  })
  const freezeC = freezePoint(liquid, percent, data)
  const seen = seenFrom('cooling', {
    targetC,
    aroundC,
    gainW: loadW,
    lossWPerK: made.lossWPerK,
    capacityJPerK: made.capacityJPerK,
    powerW,
  })
  return {
    seen,
    harm: 'cold',
    lines: [
      { id: 'needs', label: 'Load at its greatest', value: seen.loadW, quantity: 'power' },
      { id: 'power', label: 'All steps together', value: powerW, quantity: 'power' },
      { id: 'leaves', label: 'Leaves at', value: leavingC, quantity: 'temperature' },
      { id: 'firstIce', label: 'First ice', value: freezeC, quantity: 'temperature' },
      { id: 'evaporates', label: 'Lowest evaporating', value: evaporatingC, quantity: 'temperature' },
    ],
  }
}
