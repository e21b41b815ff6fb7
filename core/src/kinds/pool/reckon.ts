import type { KindFacts } from '../kind'
import { fieldValue } from '../../plant/fieldValue'
import { poolEvaporation } from '../../plant/poolEvaporation'
import { storedJPerK } from '../../plant/water'
import type { CalcCall } from '../asked'

import { seenFrom } from '../reckoned'

const covers = ['none', 'night', 'always'] as const
export const SMALL_M3 = 2

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, power: powerOf } = asked
  const targetC = number('target')
  const airC = number('designOutdoor')
  const areaM2 = number('floorArea')
  const volumeM3 = number('volume')
  const site = choice('site', ['hall', 'sheltered', 'open'], 'sheltered')
  const cover = choice('cover', covers, 'none')
  const humidityPercent = take('humidity', {
    value: site === 'hall' ? 55 : 70,
    low: 45,
    high: 90,
    why: 'usual air over a pool (practice)',
  })
  const left = fieldValue(data, 'pool.coverfactor').typical
  const uncovered = { none: 1, night: 0.5 + left / 2, always: left }[cover]
  const evaporation = {
    areaM2,
    waterC: targetC,
    airC,
    humidityPercent,
    windMPerS: { hall: 0.1, sheltered: 0.5, open: 2 }[site],
    activity: (site === 'hall' ? fieldValue(data, 'pool.activity').typical : 1) * uncovered,
  }
  const wet = poolEvaporation(evaporation)
  const call = (output: string): CalcCall => ({ calc: 'pool.evaporation', input: evaporation, output })
  const ground = 1 + fieldValue(data, 'pool.ground').typical / 100
  // With a cover on, the film under it carries less; what it still lets through is the row of covered pools.
  const film = fieldValue(data, 'pool.u.cover').typical
  const openFilm = 5 + 3.1 + 4.1 * evaporation.windMPerS
  const lossWPerK = ground * areaM2 * (openFilm * uncovered + film * (1 - uncovered))
  const stored = storedJPerK(volumeM3)
  const loadW = Math.max(1, wet.evaporationW * ground + lossWPerK * (targetC - airC))
  const rate = fieldValue(data, 'pool.rate')
  const sized = (kPerH: number) => loadW + (stored * kPerH) / 3600
  const powerW = powerOf('power', ['element', 'fuel', 'water-flow'], {
    value: sized(rate.typical),
    low: sized(rate.low),
    high: sized(rate.high),
    why: `load and ${rate.low} to ${rate.high}, typically ${rate.typical} ${rate.unit} of reheat (${rate.source})`,
  })
  const hours = take('pumpHours', { value: 24, low: 8, high: 24, why: 'heat wanted at any hour (practice)' })
  return {
    seen: {
      ...seenFrom('heating', {
        targetC,
        aroundC: airC,
        gainW: -wet.evaporationW * ground,
        lossWPerK,
        capacityJPerK: stored,
        powerW,
      }),
      loadW,
    },
    harm: 'heat',
    pool: { evaporation, ground },
    lines: [
      {
        id: 'evaporation',
        label: 'Evaporates',
        value: wet.evaporationW,
        quantity: 'power',
        worked: call('evaporationW'),
      },
      { id: 'needs', label: 'Needs on the coldest day', value: loadW, quantity: 'power' },
      { id: 'inPumpHours', label: 'In pump hours it can give', value: (powerW * hours) / 24, quantity: 'power' },
      {
        id: 'warms',
        label: 'Warms in an hour by',
        value: Math.max(0, ((powerW - loadW) * 3600) / stored),
        quantity: 'difference',
      },
    ],
  }
}
