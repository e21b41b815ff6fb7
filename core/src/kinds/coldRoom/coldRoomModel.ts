import type { PlantModel } from '../../plant/thermalNetwork'

interface ColdRoomModelFacts {
  readonly lossWPerK: number
  readonly airJPerK: number
  readonly goodsJPerK: number
  readonly goodsWPerK: number
  readonly gainW: number
  readonly coilJPerK: number
  readonly coilWPerK: number
  readonly stillShare: number
  readonly humidityPercent: number
  readonly halfKg: number
  /** Actuator of the evaporator fan; left out, it always runs. */
  readonly fan?: string
}

/**
 * A cold room: air, goods, and a coil that frosts.
 * Formula: a store each; C dT/dt = Σ G (T_other − T) + Q.
 */
export function coldRoomModel(facts: ColdRoomModelFacts): PlantModel {
  const {
    lossWPerK,
    airJPerK,
    goodsJPerK,
    goodsWPerK,
    gainW,
    coilJPerK,
    coilWPerK,
    stillShare,
    humidityPercent,
    halfKg,
    fan,
  } = facts
  return {
    nodes: [
      { id: 'air', capacityJPerK: airJPerK },
      { id: 'goods', capacityJPerK: goodsJPerK },
      { id: 'coil', capacityJPerK: coilJPerK },
    ],
    links: [
      { from: 'air', to: 'goods', wPerK: goodsWPerK },
      { from: 'air', to: 'outdoor', wPerK: lossWPerK },
    ],
    flows: [
      {
        ...{
          kind: 'frost',
          id: 'frost',
          coil: 'coil',
          air: 'air',
          wPerK: coilWPerK,
          stillShare,
          humidityPercent,
          halfKg,
        },
        ...(fan === undefined ? {} : { fan }),
      } as const,
    ],
    gains: [{ node: 'air', constantW: gainW }],
    controlled: 'air',
    heated: 'coil',
  }
}
