import { bindsOf } from '../binding'
import type { FanBehaviour, PlanOf } from '../behaviour'

/** What a parameter may bind to in the output of a fan. */
export const fanBinds = bindsOf<PlanOf<FanBehaviour>>()({
  band: (plan) => plan.bandK,
  humidity: (plan) => plan.humidityPercent,
  humidityBand: (plan) => plan.humidityBandPercent,
  least: (plan) => (plan.minimumPercent === 'off' ? 0 : plan.minimumPercent),
  minimumMode: (plan) => plan.minimumMode,
})
