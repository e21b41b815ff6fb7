import type { KindFacts } from '../kind'
import { roomModel } from './roomModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, figure, answer }) => ({
  model: roomModel({
    lossWPerK: figure('loss'),
    quickJPerK: survey.seen.capacityJPerK,
    wholeJPerK: figure('capacity'),
    filmWPerK: row('sim.room.film') * answer('floorArea'),
  }),
})
