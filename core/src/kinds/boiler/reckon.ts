import { sized } from '../asked'
import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { builds, insulations } from '../../plant/estimate'
import { emitterIds, emitters } from '../emitters'
import { emitterNeed } from '../../plant/emitterCurve'
import { fieldValue } from '../../plant/fieldValue'
import { WATER_J_PER_KG_K } from '../../plant/water'
import type { CalcCall } from '../asked'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

const fuels = ['gas', 'oil', 'pellet', 'electric'] as const

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, typical, power: powerOf } = asked
  const roomC = number('target')
  const outdoorC = number('designOutdoor')
  const emitter = emitters[choice('emitter', emitterIds, 'radiators-old')]
  const made = estimated(asked, 'boiler', estimate, {
    areaM2: number('floorArea'),
    insulation: choice('insulation', insulations, 'fair'),
    build: choice('build', builds, 'medium'),
  })
  const loadW = Math.max(1, made.lossWPerK * (roomC - outdoorC))
  const supplyC = typical('supplyWater', emitter.supply)
  const dropK = take('waterDrop', {
    value: emitter.dropK,
    low: emitter.dropK * 0.6,
    high: emitter.dropK * 1.5,
    why: 'design drop that goes with these emitters (practice)',
  })
  const oversize = fieldValue(data, 'boiler.oversize')
  const powerW = powerOf(
    'power',
    ['fuel', 'element'],
    sized(
      oversize,
      loadW,
      `design load × ${oversize.low} to ${oversize.high}, as boilers are found (${oversize.source})`,
    ),
  )
  const leastShare =
    typical('minimumFire', choice('fuel', fuels, 'gas') === 'gas' ? 'turndown.minfire' : 'turndown.one') / 100
  const content = fieldValue(data, 'water.system')
  const litres = take('water', {
    value: (content.typical * loadW) / 1000,
    low: (content.low * loadW) / 1000,
    high: (content.high * loadW) / 1000,
    why: `${content.low} to ${content.high}, typically ${content.typical} L a kW of load (${content.source})`,
  })
  const meanC = supplyC - dropK / 2
  // Seen from the water: its excess over the room drives the whole load.
  const seen = seenFrom('heating', {
    targetC: supplyC,
    aroundC: roomC,
    lossWPerK: loadW / Math.max(1, meanC - roomC),
    capacityJPerK: litres * WATER_J_PER_KG_K,
    powerW: powerW * leastShare,
  })
  const curve = {
    outdoorC: (roomC + outdoorC) / 2,
    designOutdoorC: outdoorC,
    designSupplyC: supplyC,
    designDropK: dropK,
    roomC,
    exponent: fieldValue(data, emitter.exponent).typical,
  }
  const half = meanC > roomC && outdoorC < roomC ? emitterNeed(curve) : null
  const curveCall = (output: string): CalcCall => ({ calc: 'reset.emitter', input: curve, output })
  return {
    seen: { ...seen, loadW, fullPowerW: powerW },
    harm: 'cold',
    boiler: {
      roomC,
      lossWPerK: made.lossWPerK,
      buildingJPerK: made.capacityJPerK,
      nominalK: Math.max(1, supplyC - roomC),
      exponent: fieldValue(data, emitter.exponent).typical,
      leastShare,
      burns: choice('fuel', fuels, 'gas') !== 'electric',
    },
    lines: [
      { id: 'needs', label: 'Load on the design day', value: loadW, quantity: 'power' },
      { id: 'power', label: 'Greatest fire', value: powerW, quantity: 'power' },
      { id: 'leastFire', label: 'Least fire', value: powerW * leastShare, quantity: 'power' },
      { id: 'returnDesign', label: 'Return at design', value: supplyC - dropK, quantity: 'temperature' },
      ...(half
        ? [
            {
              id: 'supplyHalf',
              label: 'Supply at half load',
              value: half.supplyC,
              quantity: 'temperature' as const,
              worked: curveCall('supplyC'),
            },
            {
              id: 'returnHalf',
              label: 'Return at half load',
              value: half.returnC,
              quantity: 'temperature' as const,
              worked: curveCall('returnC'),
            },
          ]
        : []),
    ],
  }
}
