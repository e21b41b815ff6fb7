import { Refused } from '../units/refused'

export const exchangerFlows = ['counter', 'parallel'] as const
export type ExchangerFlow = (typeof exchangerFlows)[number]

interface Ends {
  readonly hotInC: number
  readonly hotOutC: number
  readonly coldInC: number
  readonly coldOutC: number
}

/** Two ends this near, K, are the same: the logarithm would divide nothing by nothing. */
const SAME_K = 1e-9

/**
 * The mean difference along a heat exchanger.
 * Formula: (a − b)/ln(a/b) of the differences at both ends; where they are equal, that.
 * @throws RangeError where the two cross at an end: no exchanger does that
 * Source: heat exchanger of constant flow and heat, textbook.
 * @example meanDifference({ hotInC: 70, hotOutC: 50, coldInC: 20, coldOutC: 40 }, 'counter') // 30
 */
export function meanDifference({ hotInC, hotOutC, coldInC, coldOutC }: Ends, flow: ExchangerFlow): number {
  const [warm, cool] = flow === 'counter' ? ([coldOutC, coldInC] as const) : ([coldInC, coldOutC] as const)
  const first = hotInC - warm
  const last = hotOutC - cool
  const crossing = (field: string, coldC: number, hotC: number, end: string) =>
    new Refused(field, {
      must: 'other',
      says: `is {${coldC} C} where the hot side is {${hotC} C}, ${end}: the two cross, and heat does not flow back`,
    })
  if (!(first > 0))
    throw crossing(flow === 'counter' ? 'coldOutC' : 'coldInC', warm, hotInC, 'where the hot side enters')
  if (!(last > 0))
    throw crossing(flow === 'counter' ? 'coldInC' : 'coldOutC', cool, hotOutC, 'where the hot side leaves')
  return Math.abs(first - last) < SAME_K ? first : (first - last) / Math.log(first / last)
}
