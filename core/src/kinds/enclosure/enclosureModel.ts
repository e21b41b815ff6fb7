import type { PlantModel } from '../../plant/thermalNetwork'

interface EnclosureModelFacts {
  readonly lossWPerK: number
  readonly airJPerK: number
  readonly wholeJPerK: number
  /** Air to walls, times the whole loss. */
  readonly film: number
  readonly heatW: number
}

/**
 * An electrical cabinet: air, walls, what the devices give off. Walls and films together lose what the whole does.
 * Formula: 1/H = 1/film + 1/walls, so that both together lose what the whole does; C dT/dt = Σ G (T_other − T) + Q.
 */
export function enclosureModel({ lossWPerK, airJPerK, wholeJPerK, film, heatW }: EnclosureModelFacts): PlantModel {
  const inner = film * lossWPerK
  return {
    nodes: [
      { id: 'air', capacityJPerK: airJPerK },
      { id: 'walls', capacityJPerK: Math.max(airJPerK / 10, wholeJPerK - airJPerK) },
    ],
    links: [
      { from: 'air', to: 'walls', wPerK: inner },
      { from: 'walls', to: 'outdoor', wPerK: 1 / (1 / lossWPerK - 1 / inner) },
    ],
    gains: [{ node: 'air', constantW: heatW }],
    controlled: 'air',
    heated: 'air',
  }
}
