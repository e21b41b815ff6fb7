import type { PlantModel } from '../../plant/thermalNetwork'

interface BoilerModelFacts {
  readonly waterJPerK: number
  readonly buildingJPerK: number
  readonly lossWPerK: number
  /** What the emitters give at this excess of the supply over the room. */
  readonly nominalW: number
  readonly nominalK: number
  readonly exponent: number
}

/** A boiler's water, the emitters it feeds, and the building. Source: output ∝ excess^n, EN 442, EN 1264. */
export function boilerModel(facts: BoilerModelFacts): PlantModel {
  const { waterJPerK, buildingJPerK, lossWPerK, nominalW, nominalK, exponent } = facts
  return {
    nodes: [
      { id: 'water', capacityJPerK: waterJPerK },
      { id: 'building', capacityJPerK: buildingJPerK },
    ],
    links: [{ from: 'building', to: 'outdoor', wPerK: lossWPerK }],
    flows: [{ kind: 'emitter', from: 'water', to: 'building', nominalW, nominalK, exponent }],
    controlled: 'water',
    heated: 'water',
  }
}
