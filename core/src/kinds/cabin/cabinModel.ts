import type { PlantModel } from '../../plant/thermalNetwork'

interface CabinModelFacts {
  readonly lossWPerK: number
  readonly airJPerK: number
  readonly shellJPerK: number
  /** Share of the loss that goes with the air, past the shell. */
  readonly leakShare: number
  readonly film: number
}

/**
 * A cabin: little air, much loss, a shell that is slow.
 * Formula: two stores; C dT/dt = Σ G (T_other − T) + Q for each.
 */
export function cabinModel({ lossWPerK, airJPerK, shellJPerK, leakShare, film }: CabinModelFacts): PlantModel {
  const through = lossWPerK * (1 - leakShare)
  const inner = film * lossWPerK
  return {
    nodes: [
      { id: 'air', capacityJPerK: airJPerK },
      { id: 'shell', capacityJPerK: shellJPerK },
    ],
    links: [
      { from: 'air', to: 'outdoor', wPerK: lossWPerK * leakShare },
      { from: 'air', to: 'shell', wPerK: inner },
      { from: 'shell', to: 'outdoor', wPerK: 1 / (1 / through - 1 / inner) },
    ],
    controlled: 'air',
    heated: 'air',
  }
}
