import { movedBy } from '../movedBy'
import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { insulations } from '../../plant/estimate'
import { airSensible } from '../../plant/airSensible'
import { fieldValue } from '../../plant/fieldValue'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

/** Heat that a cubic metre an hour of air carries a kelvin, Wh/m³K. */
const AIR_WH = airSensible(1, 1).wPerK
const LEAST_RISE_K = 0.5

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, typical, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const areaM2 = number('floorArea')
  const heightM = take('height', { value: 2.5, low: 2.2, high: 3.5, why: 'usual height of a room (practice)' })
  const volumeM3 = areaM2 * heightM
  const made = estimated(asked, 'fan', estimate, { areaM2, insulation: choice('insulation', insulations, 'fair') })
  const per = fieldValue(data, 'fan.heat')
  const gainW = take('heat', sized(per, areaM2, `${per.what}: ${per.low} to ${per.high} ${per.unit} (${per.source})`))
  const changes = typical('changes', 'fan.changes.quarantine')
  const riseK = targetC - aroundC
  // Air that is hardly cooler than the target carries nothing away, however much of it is moved.
  const forHeat = riseK >= LEAST_RISE_K ? Math.max(0, gainW - made.lossWPerK * riseK) / (AIR_WH * riseK) : 0
  const needM3h = Math.max(changes * volumeM3, forHeat)
  const size = fieldValue(data, 'fan.oversize')
  const fromChain = movedBy(asked.chain.devices)
  const flowM3h = take(
    'airFlow',
    sized(size, needM3h, `what is needed × ${size.low} to ${size.high} (${size.source})`),
    fromChain > 0 ? { value: fromChain, why: 'nameplates of the chosen fans together' } : undefined,
  )
  take('minimum', {
    value: fieldValue(data, 'fan.min.ec').typical,
    low: 5,
    high: 40,
    why: 'where fans of this sort start turning (typical)',
  })
  const powerW = powerOf('power', [], {
    value: AIR_WH * flowM3h * Math.max(0, riseK),
    why: 'air at full speed, from target to warmest outdoor air',
  })
  return {
    seen: {
      ...seenFrom('cooling', {
        targetC,
        aroundC,
        gainW,
        lossWPerK: made.lossWPerK,
        capacityJPerK: made.quickJPerK,
        powerW,
      }),
    },
    harm: 'heat',
    lines: [
      { id: 'freshAir', label: 'Fresh air wanted', value: changes * volumeM3, quantity: 'airFlow' },
      { id: 'heatAir', label: 'Air to carry the heat', value: forHeat, quantity: 'airFlow' },
      { id: 'fullAir', label: 'Fan at full speed', value: flowM3h, quantity: 'airFlow' },
      { id: 'power', label: 'Carries away, full speed', value: powerW, quantity: 'power' },
    ],
  }
}
