import { Refused } from '../units/refused'
export const emitterModels = ['load-drop', 'fixed-drop', 'supply-excess'] as const
type EmitterModel = (typeof emitterModels)[number]

export interface EmitterInput {
  readonly outdoorC: number
  readonly designOutdoorC: number
  readonly designSupplyC: number
  readonly designDropK: number
  readonly roomC: number
  readonly exponent: number
  readonly model?: EmitterModel | undefined
}

interface EmitterNeed {
  readonly loadFraction: number
  readonly supplyC: number
  readonly returnC: number
  readonly meanC: number
}

/**
 * The supply that an emitter really needs at a load, against the straight line of a reset.
 * Load φ = (room − outdoor)/(room − design). `load-drop`: mean excess × φ^(1/n), drop × φ (constant flow). `fixed-drop`: the drop
 * stays. `supply-excess`: supply excess × φ^(1/n), drop × φ.
 * Source: emitter output ∝ excess^n, EN 442 (radiators), EN 1264 (floors).
 * @returns null where there is no load
 * @throws RangeError unless design outdoor is under the room, the exponent over 0 and the design mean over the room
 * @example emitterNeed({ outdoorC: 5, designOutdoorC: -10, designSupplyC: 70, designDropK: 15, roomC: 20, exponent: 1.3 }).supplyC // 48.69
 */
export function emitterNeed(input: EmitterInput): EmitterNeed | null {
  const { outdoorC, designOutdoorC, designSupplyC, designDropK, roomC, exponent, model = 'load-drop' } = input
  if (!(designOutdoorC < roomC))
    throw new Refused('designOutdoorC', { must: 'under', value: designOutdoorC, than: roomC, thanField: 'roomC' })
  if (!(exponent > 0)) throw new Refused('exponent', { must: 'over', value: exponent, than: 0 })
  if (!(designSupplyC - designDropK / 2 > roomC))
    throw new Refused('designSupplyC', {
      must: 'other',
      says: `${designSupplyC} less half its drop must be over roomC ${roomC}`,
    })
  const loadFraction = (roomC - outdoorC) / (roomC - designOutdoorC)
  if (!(loadFraction > 0)) return null
  const share = loadFraction ** (1 / exponent)
  const dropK = model === 'fixed-drop' ? designDropK : designDropK * loadFraction
  const supplyC =
    model === 'supply-excess'
      ? roomC + (designSupplyC - roomC) * share
      : roomC + (designSupplyC - designDropK / 2 - roomC) * share + dropK / 2
  return { loadFraction, supplyC, returnC: supplyC - dropK, meanC: supplyC - dropK / 2 }
}
