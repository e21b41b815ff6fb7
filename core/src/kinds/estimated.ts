import type { EstimateInput, Estimator } from './estimator'
import type { Asked, CalcCall } from './asked'

/**
 * Loss and stored heat of a kind: answered, else estimated from what a fitter can see. `quick` is what an on/off cycle of the probe
 * works on; its share of the whole stays as estimated when the whole is answered.
 */
export function estimated(asked: Asked, kind: string, estimate: Estimator, input: EstimateInput) {
  const space = estimate(input, asked.data)
  const given = Object.fromEntries(Object.entries({ kind, ...input }).filter(([, value]) => value !== undefined))
  const call = (output: string): CalcCall => ({ calc: 'plant.estimate', input: given, output })
  const figure = (id: 'lossWPerK' | 'capacityJPerK') => ({
    value: space[id],
    low: space.low[id],
    high: space.high[id],
    why: space.why,
    worked: call(id),
  })
  const lossWPerK = asked.take('loss', figure('lossWPerK'))
  const capacityJPerK = asked.take('capacity', figure('capacityJPerK'))
  return {
    lossWPerK,
    capacityJPerK,
    quickJPerK: (capacityJPerK * space.quickCapacityJPerK) / space.capacityJPerK,
  }
}
