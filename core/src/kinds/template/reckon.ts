import { sized } from '../asked'
import { builds, insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'
import { estimated } from '../estimated'
import type { KindFacts } from '../kind'
import { seenFrom } from '../reckoned'
import { estimate } from './estimate'

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const { lossWPerK, quickJPerK } = estimated(asked, 'template', estimate, {
    areaM2: number('floorArea'),
    insulation: choice('insulation', insulations, 'fair'),
    build: choice('build', builds, 'medium'),
  })
  const loadW = Math.max(1, lossWPerK * (targetC - aroundC))
  const size = fieldValue(data, 'room.oversize')
  const powerW = powerOf(
    'power',
    ['element'],
    sized(size, loadW, `design load × ${size.low} to ${size.high}, typically ${size.typical} (${size.source})`),
  )
  return {
    seen: seenFrom('heating', { targetC, aroundC, lossWPerK, capacityJPerK: quickJPerK, powerW }),
    harm: 'cold',
    lines: [],
  }
}
