import type { KindFacts } from '../kind'
import { cabinModel } from './cabinModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, figure }) => {
  const { seen } = survey
  const whole = figure('capacity')
  return {
    model: cabinModel({
      lossWPerK: seen.lossWPerK,
      airJPerK: seen.capacityJPerK,
      shellJPerK: Math.max(whole / 10, whole - seen.capacityJPerK),
      leakShare: row('sim.leak'),
      film: row('sim.walls.film'),
    }),
  }
}
