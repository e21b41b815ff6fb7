import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

const goods = ['fish', 'meat', 'medicine', 'frozen'] as const
export const FREEZING = 'frozen'

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const volumeM3 = number('volume')
  const made = estimated(asked, 'cold-room', estimate, {
    volumeM3,
    insulation: choice('insulation', insulations, 'fair'),
  })
  const gain = fieldValue(data, 'cr.gain')
  const gainW = take('heat', sized(gain, volumeM3, `${gain.what}: ${gain.typical} ${gain.unit} (${gain.source})`))
  const plant = fieldValue(data, choice('goods', goods, 'fish') === FREEZING ? 'cr.load.freeze' : 'cr.load')
  const powerW = powerOf(
    'power',
    ['cooling'],
    sized(
      plant,
      volumeM3,
      `${plant.what}: ${plant.low} to ${plant.high}, typically ${plant.typical} ${plant.unit} (${plant.source})`,
    ),
  )
  const seen = seenFrom('cooling', {
    targetC,
    aroundC,
    gainW,
    lossWPerK: made.lossWPerK,
    capacityJPerK: made.quickJPerK,
    powerW,
  })
  return {
    seen,
    harm: 'heat',
    lines: [
      { id: 'needs', label: 'Load on the warmest day', value: seen.loadW, quantity: 'power' },
      { id: 'power', label: 'Plant takes out', value: powerW, quantity: 'power' },
      { id: 'runsADay', label: 'Runs a day', value: Math.min(24, (24 * seen.loadW) / powerW), quantity: 'hours' },
    ],
  }
}
