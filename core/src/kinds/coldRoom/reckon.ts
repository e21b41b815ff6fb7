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
  const gainW = take('heat', {
    value: gain.typical * volumeM3,
    low: gain.low * volumeM3,
    high: gain.high * volumeM3,
    why: `${gain.what}: ${gain.typical} ${gain.unit} (${gain.source})`,
  })
  const plant = fieldValue(data, choice('goods', goods, 'fish') === FREEZING ? 'cr.load.freeze' : 'cr.load')
  const powerW = powerOf('power', ['cooling'], {
    value: plant.typical * volumeM3,
    low: plant.low * volumeM3,
    high: plant.high * volumeM3,
    why: `${plant.what}: ${plant.low} to ${plant.high}, typically ${plant.typical} ${plant.unit} (${plant.source})`,
  })
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
      { label: 'Load on the warmest day', value: seen.loadW, quantity: 'power' },
      { label: 'Plant takes out', value: powerW, quantity: 'power' },
      { label: 'Runs a day', value: Math.min(24, (24 * seen.loadW) / powerW), quantity: 'hours' },
    ],
  }
}
