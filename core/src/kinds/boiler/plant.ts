import type { KindFacts } from '../kind'
import { boilerModel } from './boilerModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey }) => {
  const { boiler, seen } = survey
  return {
    model: boilerModel({
      waterJPerK: seen.capacityJPerK,
      buildingJPerK: boiler!.buildingJPerK,
      lossWPerK: boiler!.lossWPerK,
      nominalW: seen.loadW,
      nominalK: boiler!.nominalK,
      exponent: boiler!.exponent,
    }),
  }
}
