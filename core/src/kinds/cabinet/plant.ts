import type { KindFacts } from '../kind'
import { cabinetModel } from './cabinetModel'

const KJ = 1000

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, figure }) => {
  const { seen } = survey
  const whole = figure('capacity')
  const massKg = figure('load')
  return {
    model: cabinetModel({
      lossWPerK: seen.lossWPerK,
      airJPerK: seen.capacityJPerK,
      wallsJPerK: Math.max(whole / 10, whole - seen.capacityJPerK),
      film: row('sim.walls.film'),
      goodsJPerK: Math.max(1, massKg) * KJ,
      goodsWPerK: Math.max(1, massKg) * row('sim.load.film'),
      elementJPerK: Math.max(1, seen.powerW) * row('sim.element.capacity'),
      elementWPerK: Math.max(1, seen.powerW) / row('sim.element.film'),
    }),
  }
}
