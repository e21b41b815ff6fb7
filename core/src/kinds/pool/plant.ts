import type { KindFacts } from '../kind'
import { poolModel } from './poolModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey }) => {
  const { seen, pool } = survey
  const { drying, ...model } = poolModel({
    waterJPerK: seen.capacityJPerK,
    lossWPerK: seen.lossWPerK,
    evaporation: pool!.evaporation,
    ground: pool!.ground,
  })
  return { model, ...(drying ? { boundaries: { drying: drying.restC } } : {}) }
}
