import type { PlantModel } from '../../plant/thermalNetwork'

interface ChillerModelFacts {
  readonly brineJPerK: number
  readonly slabJPerK: number
  /** Slab to brine. */
  readonly slabWPerK: number
  readonly lossWPerK: number
  readonly heatW: number
}

/**
 * A loop of brine and what it cools: the load comes into the slab.
 * Formula: two stores; C dT/dt = Σ G (T_other − T) + Q for each.
 */
export function chillerModel({ brineJPerK, slabJPerK, slabWPerK, lossWPerK, heatW }: ChillerModelFacts): PlantModel {
  return {
    nodes: [
      { id: 'brine', capacityJPerK: brineJPerK },
      { id: 'slab', capacityJPerK: slabJPerK },
    ],
    links: [
      { from: 'slab', to: 'brine', wPerK: slabWPerK },
      { from: 'brine', to: 'outdoor', wPerK: lossWPerK },
    ],
    gains: [{ node: 'slab', constantW: heatW }],
    controlled: 'brine',
    heated: 'brine',
  }
}
