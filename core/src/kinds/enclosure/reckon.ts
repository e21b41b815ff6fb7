import { sized } from '../asked'
import type { KindFacts } from '../kind'
import { enclosureAreaM2, enclosureHeat, mountings } from '../../plant/enclosure'
import { airSensible } from '../../plant/airSensible'
import { fieldValue } from '../../plant/fieldValue'
import type { CalcCall } from '../asked'

import { seenFrom } from '../reckoned'

const materials = { steel: 'encl.k.steel', stainless: 'encl.k.stainless', plastic: 'encl.k.plastic' } as const
const materialIds = ['steel', 'stainless', 'plastic'] as const

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, typical, power: powerOf } = asked
  const targetC = number('target')
  const outsideC = number('designOutdoor')
  const area = [number('height'), number('width'), number('depth')] as const
  const areaM2 = enclosureAreaM2(...area, choice('mounting', mountings, 'single-wall'))
  const k = typical('conductance', materials[choice('material', materialIds, 'steel')])
  const sunW = take('sun', { value: 0, why: 'indoors (nothing answered)' }) * fieldValue(data, 'encl.sun').typical
  const dissipationW = number('heat') + sunW
  const input = { dissipationW, areaM2, heatTransferWPerM2K: k, insideMaxC: targetC, outsideC }
  const heat = enclosureHeat(input)
  const call = (output: string): CalcCall => ({ calc: 'enclosure.cooling', input, output })
  const size = fieldValue(data, 'encl.oversize')
  // A filter fan takes out what its air carries from inside to outside.
  const fans = asked.chain.devices.flatMap(({ facts }) =>
    Object.values(facts.ports).some((port) => 'does' in port && port.does === 'air-flow')
      ? [facts.load?.movesM3h ?? 0]
      : [],
  )
  const flowM3h = fans.reduce((sum, each) => sum + each, 0)
  const powerW = powerOf(
    'power',
    ['cooling'],
    sized(size, heat.removeW, `what must be removed × ${size.low} to ${size.high} (${size.source})`),
    airSensible(flowM3h, Math.max(0, targetC - outsideC)).powerW,
  )
  const stored = fieldValue(data, 'cap.enclosure')
  const capacityJPerK = take(
    'capacity',
    sized(stored, 1000 * areaM2, `${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`),
  )
  return {
    seen: {
      ...seenFrom('cooling', {
        targetC,
        aroundC: outsideC,
        gainW: dissipationW,
        lossWPerK: k * areaM2,
        capacityJPerK: capacityJPerK / 4,
        powerW,
      }),
    },
    harm: 'heat',
    lines: [
      {
        id: 'uncooled',
        label: 'Gets, uncooled',
        value: heat.uncooledC,
        quantity: 'temperature',
        worked: call('uncooledC'),
      },
      { id: 'needs', label: 'Heat to remove', value: heat.removeW, quantity: 'power', worked: call('removeW') },
      { id: 'power', label: 'Cooler', value: powerW, quantity: 'power' },
    ],
  }
}
