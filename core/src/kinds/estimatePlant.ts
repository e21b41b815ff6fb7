import type { PlantEstimate } from '../plant/estimate'
import type { FieldData } from '../plant/fieldValue'
import type { EstimateInput } from './estimator'
import { factsOfKind, type LoopKind } from './kinds'

/**
 * Loss and stored heat of each kind, from what a fitter can see. Floor, room, fan and boiler from the area they serve (what a
 * boiler's cycle sees is its system water); pool and chiller from their water; the rest from their shell and volume.
 * Source: field data of sections 7 to 11; every figure with its low and high.
 * @throws RangeError naming the measure that is missing
 */
export function estimatePlant(
  { kind, ...input }: EstimateInput & { readonly kind: LoopKind },
  data: FieldData,
): PlantEstimate {
  return factsOfKind(kind).estimate(input, data)
}
