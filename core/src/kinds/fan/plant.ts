import type { KindFacts } from '../kind'
import { fanModel } from './fanModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, figure, answer, gainW }) => {
  const area = answer('floorArea')
  return {
    model: fanModel({
      lossWPerK: figure('loss'),
      quickJPerK: survey.seen.capacityJPerK,
      wholeJPerK: figure('capacity'),
      filmWPerK: row('sim.room.film') * area,
      heatW: gainW,
      moistShare: row('sim.moisture'),
      volumeM3: area * figure('height'),
      startC: survey.seen.targetC,
      startPercent: 60,
    }),
  }
}
