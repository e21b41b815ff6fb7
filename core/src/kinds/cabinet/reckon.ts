import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

/** Of most dry goods: plaster, wood, textile, J/kgK. */
const GOODS_J_PER_KG_K = 1000

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const volumeM3 = number('volume')
  const made = estimated(asked, 'cabinet', estimate, {
    volumeM3,
    insulation: choice('insulation', insulations, 'fair'),
  })
  const goods = fieldValue(data, 'oven.load')
  const massKg = take(
    'load',
    sized(goods, volumeM3, `${goods.what}: ${goods.low} to ${goods.high} ${goods.unit} (${goods.source})`),
  )
  const per = fieldValue(data, 'oven.power')
  const powerW = powerOf(
    'power',
    ['element', 'fuel'],
    sized(per, 1000 * volumeM3, `${per.what}: ${per.low} to ${per.high} ${per.unit} (${per.source})`),
  )
  const seen = seenFrom('heating', {
    targetC,
    aroundC,
    lossWPerK: made.lossWPerK,
    capacityJPerK: made.quickJPerK,
    powerW,
  })
  const storedJPerK = made.capacityJPerK + massKg * GOODS_J_PER_KG_K
  const leftW = powerW - seen.loadW / 2
  return {
    seen,
    harm: 'heat',
    lines: [
      { id: 'needs', label: 'Holds with', value: seen.loadW, quantity: 'power' },
      { id: 'power', label: 'Elements', value: powerW, quantity: 'power' },
      ...(leftW > 0 && powerW > seen.loadW
        ? [
            {
              id: 'warmUp',
              label: 'Warm-up, about',
              value: (storedJPerK * (targetC - aroundC)) / leftW / 3600,
              quantity: 'hours' as const,
            },
          ]
        : []),
    ],
  }
}
