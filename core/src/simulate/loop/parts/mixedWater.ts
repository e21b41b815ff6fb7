import type { SupplyBoundary } from '../../scenario'
import type { Parts } from './parts'

/** Water of a floor whose controller mixes it by the weather: supply, and the mean that the screed sees. */
export function mixedWater(
  parts: Parts,
  dropK: number,
): Readonly<Record<'supply' | 'water', SupplyBoundary>> | undefined {
  const reset = parts.driven.map(({ plan }) => parts.whole(plan).reset).find((each) => each !== undefined)
  if (!reset) return undefined
  const { averageH: _a, shiftK, setbackK: _s, ...line } = reset
  const restC = parts.survey.floor?.plant.designRoomC
  const of = (byK: number): SupplyBoundary => ({
    outdoor: 'outdoor',
    line,
    shiftK: shiftK + byK,
    ...(restC === undefined ? {} : { restC }),
  })
  return { supply: of(0), water: of(-dropK / 2) }
}
