import { poolEvaporation, type PoolLossInput } from '../../plant/poolEvaporation'
import type { PlantModel } from '../../plant/thermalNetwork'

interface PoolModelFacts {
  readonly waterJPerK: number
  /** Convection, radiation and what goes into the ground, on water over air. */
  readonly lossWPerK: number
  readonly evaporation: PoolLossInput
  /** Evaporation times this: walls and floor. */
  readonly ground: number
}

const ASIDE_K = 0.5

/**
 * Water under air. Evaporation is straight around the setpoint: its slope joins the water to the temperature at which nothing would evaporate.
 * Formula: G = (E(T + ½) − E(T − ½))/1 K; rest at T − E/G.
 */
export function poolModel({ waterJPerK, lossWPerK, evaporation, ground }: PoolModelFacts): PlantModel & {
  readonly drying?: { readonly wPerK: number; readonly restC: number }
} {
  const at = (waterC: number) => poolEvaporation({ ...evaporation, waterC }).evaporationW * ground
  const wPerK = at(evaporation.waterC + ASIDE_K) - at(evaporation.waterC - ASIDE_K)
  const dries = wPerK > 0
  return {
    nodes: [{ id: 'water', capacityJPerK: waterJPerK }],
    links: [
      { from: 'water', to: 'outdoor', wPerK: lossWPerK },
      ...(dries ? [{ from: 'water', to: 'drying', wPerK }] : []),
    ],
    controlled: 'water',
    heated: 'water',
    ...(dries ? { drying: { wPerK, restC: evaporation.waterC - at(evaporation.waterC) / wPerK } } : {}),
  }
}
