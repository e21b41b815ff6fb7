import { estimate } from './estimate'
import type { KindFacts } from '../kind'
import { insulations } from '../../plant/estimate'
import { batteryRuntime } from '../../plant/batteryRuntime'
import { fieldValue } from '../../plant/fieldValue'
import type { CalcCall } from '../asked'

import { seenFrom } from '../reckoned'
import { estimated } from '../estimated'

const chemistries = { lead: 'bat.usable.lead', lfp: 'bat.usable.lfp' } as const

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, typical, power: powerOf } = asked
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const volume = take('volume', { value: 10, low: 6, high: 18, why: 'a small van (practice)' })
  const made = estimated(asked, 'cabin', estimate, {
    volumeM3: volume,
    insulation: choice('insulation', insulations, 'good'),
  })
  const full = fieldValue(data, 'cabin.power')
  const powerW = powerOf('power', ['fuel', 'element'], {
    value: full.typical,
    low: full.low,
    high: full.high,
    why: `${full.what} (${full.source})`,
  })
  const seen = seenFrom('heating', {
    targetC,
    aroundC,
    lossWPerK: made.lossWPerK,
    capacityJPerK: made.quickJPerK,
    powerW,
  })
  const dutyPercent = Math.min(100, (100 * seen.loadW) / powerW)
  const swingK = fieldValue(data, 'swing.cabin').typical
  // Of a first-order cabin: duty × rest over the whole cycle.
  const cyclesPerHour = (powerW * (dutyPercent / 100) * (1 - dutyPercent / 100) * 3600) / (made.quickJPerK * swingK)
  const battery = {
    capacityAh: number('batteryAh'),
    usablePercent: fieldValue(data, chemistries[choice('chemistry', ['lead', 'lfp'], 'lead')]).typical,
    runA: typical('runA', 'heater.run.a'),
    startAs: typical('glowA', 'heater.glow.a') * typical('glowS', 'heater.glow.s'),
    cyclesPerHour,
    dutyPercent,
  }
  const runtime = batteryRuntime(battery)
  const call = (output: string): CalcCall => ({ calc: 'battery.runtime', input: battery, output })
  return {
    seen,
    lines: [
      { id: 'needs', label: 'Load on the coldest night', value: seen.loadW, quantity: 'power' },
      { id: 'duty', label: 'On for', value: dutyPercent, quantity: 'percent' },
      {
        id: 'meanCurrent',
        label: 'Battery draws, mean',
        value: runtime.averageA,
        quantity: 'current',
        worked: call('averageA'),
      },
      ...(runtime.hours === null
        ? []
        : [
            {
              id: 'batteryLasts',
              label: 'Battery lasts',
              value: runtime.hours,
              quantity: 'hours' as const,
              worked: call('hours'),
            },
          ]),
    ],
  }
}
