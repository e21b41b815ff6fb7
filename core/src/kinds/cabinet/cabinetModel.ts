import type { PlantModel } from '../../plant/thermalNetwork'

interface CabinetModelFacts {
  readonly lossWPerK: number
  readonly airJPerK: number
  readonly wallsJPerK: number
  readonly film: number
  readonly goodsJPerK: number
  readonly goodsWPerK: number
  readonly elementJPerK: number
  readonly elementWPerK: number
}

/**
 * A heated cabinet: elements to air, air to goods and walls, walls to the room around.
 * Formula: a store each; C dT/dt = Σ G (T_other − T) + Q.
 */
export function cabinetModel(facts: CabinetModelFacts): PlantModel {
  const { lossWPerK, airJPerK, wallsJPerK, film, goodsJPerK, goodsWPerK, elementJPerK, elementWPerK } = facts
  const inner = film * lossWPerK
  return {
    nodes: [
      { id: 'air', capacityJPerK: airJPerK },
      { id: 'walls', capacityJPerK: wallsJPerK },
      { id: 'goods', capacityJPerK: goodsJPerK },
      { id: 'element', capacityJPerK: elementJPerK },
    ],
    links: [
      { from: 'element', to: 'air', wPerK: elementWPerK },
      { from: 'air', to: 'goods', wPerK: goodsWPerK },
      { from: 'air', to: 'walls', wPerK: inner },
      { from: 'walls', to: 'outdoor', wPerK: 1 / (1 / lossWPerK - 1 / inner) },
    ],
    controlled: 'air',
    heated: 'element',
  }
}
