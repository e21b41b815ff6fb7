import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { builds, insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const made = estimated(asked, 'room', estimate, {
    areaM2: number('floorArea'),
    insulation: choice('insulation', insulations, 'fair'),
    build: choice('build', builds, 'medium'),
  })
  const load = Math.max(1, made.lossWPerK * (targetC - aroundC))
  const size = fieldValue(data, 'room.oversize')
  const powerW = powerOf(
    'power',
    ['element', 'fuel', 'water-flow'],
    sized(size, load, `design load × ${size.low} to ${size.high}, typically ${size.typical} (${size.source})`),
  )
  return {
    seen: seenFrom('heating', {
      targetC,
      aroundC,
      lossWPerK: made.lossWPerK,
      capacityJPerK: made.quickJPerK,
      powerW,
    }),
    harm: 'cold',
    lines: [],
  }
}
