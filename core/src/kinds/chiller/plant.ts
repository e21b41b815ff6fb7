import type { KindFacts } from '../kind'
import { chillerModel } from './chillerModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, answer }) => {
  const { seen } = survey
  // The load comes through the slab; what the surroundings give the tank comes by itself.
  const heatW = answer('heat')
  return {
    model: chillerModel({
      brineJPerK: seen.capacityJPerK,
      slabJPerK: seen.capacityJPerK * row('sim.slab.share'),
      slabWPerK: Math.max(1, heatW) / row('sim.slab.film'),
      lossWPerK: seen.lossWPerK,
      heatW,
    }),
  }
}
