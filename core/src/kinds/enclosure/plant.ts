import type { KindFacts } from '../kind'
import { enclosureModel } from './enclosureModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, gainW }) => ({
  model: enclosureModel({
    lossWPerK: survey.seen.lossWPerK,
    airJPerK: survey.seen.capacityJPerK,
    wholeJPerK: survey.seen.capacityJPerK * 4,
    film: row('sim.walls.film'),
    heatW: gainW,
  }),
})
