import type { KindFacts } from '../kind'
import { floorModel } from './floorModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey }) => {
  const { plant, facts } = survey.floor!
  return {
    model: floorModel(plant, facts.probePlace === 'screed' ? 'slab' : 'room'),
    boundaries: { water: plant.waterC, supply: facts.supplyC },
  }
}
