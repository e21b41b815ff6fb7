import type { PlantModel } from '../../plant/thermalNetwork'

interface RoomModelFacts {
  readonly lossWPerK: number
  /** What an on/off cycle of an air probe works on, and what the whole stores. */
  readonly quickJPerK: number
  readonly wholeJPerK: number
  /** Air to walls and furniture. */
  readonly filmWPerK: number
}

/**
 * A heated room: air, and the walls behind it.
 * Formula: two stores; C dT/dt = Σ G (T_other − T) + Q for each. Source: a two-capacity room, as ISO 13790 makes one of air and mass.
 */
export function roomModel({ lossWPerK, quickJPerK, wholeJPerK, filmWPerK }: RoomModelFacts): PlantModel {
  return {
    nodes: [
      { id: 'air', capacityJPerK: quickJPerK },
      { id: 'walls', capacityJPerK: Math.max(quickJPerK / 10, wholeJPerK - quickJPerK) },
    ],
    links: [
      { from: 'air', to: 'walls', wPerK: filmWPerK },
      { from: 'air', to: 'outdoor', wPerK: lossWPerK },
    ],
    controlled: 'air',
    heated: 'air',
  }
}
