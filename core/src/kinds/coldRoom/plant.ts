import type { KindFacts } from '../kind'
import { coldRoomModel } from './coldRoomModel'

/** The network that a run is made with. */
export const plant: KindFacts['plant'] = ({ survey, row, figure, answer, gainW, fan }) => {
  const { seen } = survey
  const whole = figure('capacity')
  const kw = seen.powerW / 1000
  return {
    model: coldRoomModel({
      lossWPerK: seen.lossWPerK,
      airJPerK: whole * (1 - row('sim.goods.share')),
      goodsJPerK: whole * row('sim.goods.share'),
      goodsWPerK: row('sim.goods.film') * answer('volume'),
      gainW,
      coilJPerK: row('sim.coil.capacity') * seen.powerW,
      coilWPerK: seen.powerW / row('cr.td'),
      stillShare: row('sim.still'),
      humidityPercent: row('sim.coldroom.humidity'),
      halfKg: row('sim.frost.half') * kw,
      ...(fan === undefined ? {} : { fan }),
    }),
  }
}
