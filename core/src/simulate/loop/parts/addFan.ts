import { givesBetween, type PlanOf } from '../../../settings/behaviour'
import { fieldValue } from '../../../plant/fieldValue'
import type { Parts } from './parts'

/** Probe that reads the relative humidity of the air, %. */
export const HUMIDITY = 'humidity'

/** What a fan follows: heat, and humidity where it is planned; the stronger leads. */
export function demands(parts: Parts, plan: Extract<PlanOf, { kind: 'fan' }>, probe: string) {
  const { zeroC, fullC } = givesBetween(plan)
  const heat = { probe, zeroAt: zeroC, fullAt: fullC }
  if (plan.humidityPercent === undefined) return [heat]
  if (!parts.probes.some(({ id }) => id === HUMIDITY))
    parts.probes.push({
      id: HUMIDITY,
      node: 'air',
      moisture: 'moisture',
      lagS: fieldValue(parts.given.data, 'lag.sheath.air').typical,
    })
  return [
    heat,
    {
      probe: HUMIDITY,
      zeroAt: plan.humidityPercent,
      fullAt: plan.humidityPercent + (plan.humidityBandPercent ?? 10),
    },
  ]
}
