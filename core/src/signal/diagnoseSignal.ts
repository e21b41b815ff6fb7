import { Refused } from '../units/refused'
import { type Signal, signals, signalSpan, signalPercent, signalValue } from './signal'

export const signalCauses = [
  'matches',
  'stuck-low',
  'stuck-high',
  'reversed',
  'other-signal',
  'shifted',
  'scaled',
  'unsteady',
] as const
type SignalCause = (typeof signalCauses)[number]

export interface SignalRow {
  readonly percent: number
  readonly value: number
}

export interface SignalDiagnosis {
  readonly cause: SignalCause
  /** Largest distance from the plan, % of its span. */
  readonly worstPercent: number
  /** The signal that it is, when it is another one. */
  readonly signal?: Signal
  /** How far it is shifted, % of the planned span. */
  readonly shiftPercent?: number
  /** What it is multiplied by. */
  readonly scale?: number
}

const DUST = 1e-9

/** The values that lie within `reach` of all of these at once: from, to; empty when from is over to. */
const common = (spans: readonly (readonly [number, number])[]) =>
  [Math.max(...spans.map(([from]) => from)), Math.min(...spans.map(([, to]) => to))] as const

/**
 * What is wrong with an analogue output, from a sweep with a meter.
 * Judged in this order, each within the tolerance at every row: matches, stuck, reversed, another signal of the same unit, shifted
 * by one amount, scaled by one factor (a load or a wrong resistor), else unsteady. A tolerance is a share of the planned
 * span; shift and scale are looked for as the one value that explains every row, so noise within the tolerance never hides them.
 * Formula: a straight line through the readings: its shift and its slope against the planned span.
 * @throws RangeError when no row is given
 * @example diagnoseSignal('0-10V', [{ percent: 0, value: 0 }, { percent: 50, value: 2.5 }, { percent: 100, value: 5 }], 2).cause // 'other-signal'
 */
export function diagnoseSignal(
  signal: Signal,
  rows: readonly SignalRow[],
  tolerancePercent: number,
  travelS?: number,
): SignalDiagnosis {
  if (rows.length === 0) throw new Refused('rows', { must: 'other', says: 'are empty: at least one reading is needed' })
  const span = signalSpan(signal, travelS)
  const read = rows.map(({ value }) => signalPercent(span, value))
  const errors = rows.map(({ percent }, i) => read[i]! - percent)
  const reach = tolerancePercent + DUST
  const worstPercent = Math.max(...errors.map(Math.abs))
  const found = (cause: SignalCause, more: Omit<SignalDiagnosis, 'cause' | 'worstPercent'> = {}): SignalDiagnosis => ({
    cause,
    worstPercent,
    ...more,
  })
  if (worstPercent <= reach) return found('matches')

  const width = (values: readonly number[]) => Math.max(...values) - Math.min(...values)
  const planned = rows.map(({ percent }) => percent)
  const still = width(read) <= 2 * reach && width(planned) > width(read) + 2 * reach
  if (still || read.every((percent) => Math.abs(percent) <= reach)) {
    const middle = (Math.max(...read) + Math.min(...read)) / 2
    return found(middle < 50 ? 'stuck-low' : 'stuck-high')
  }
  if (rows.every(({ percent }, i) => Math.abs(read[i]! - (100 - percent)) <= reach)) return found('reversed')

  const others = signals
    .filter((other) => other !== signal && other !== 'three-point' && signalSpan(other).unit === span.unit)
    .map((other) => {
      const its = signalSpan(other)
      const most = Math.max(Math.abs(its.at100 - its.at0), Math.abs(span.at100 - span.at0))
      const worst = Math.max(
        ...rows.map(({ percent, value }) => (100 * Math.abs(value - signalValue(its, percent))) / most),
      )
      return { other, worst }
    })
    .filter(({ worst }) => worst <= reach)
    .sort((a, b) => a.worst - b.worst)
  if (others[0]) return found('other-signal', { signal: others[0].other })

  const [shiftFrom, shiftTo] = common(errors.map((error) => [error - reach, error + reach]))
  if (shiftFrom <= shiftTo) return found('shifted', { shiftPercent: (shiftFrom + shiftTo) / 2 })

  const allowed = (reach / 100) * Math.abs(span.at100 - span.at0)
  for (const zero of [0, span.at0]) {
    const factors = rows.map(({ percent, value }): readonly [number, number] => {
      const expected = signalValue(span, percent) - zero
      const given = value - zero
      if (Math.abs(expected) < DUST) return Math.abs(given) <= allowed ? [-Infinity, Infinity] : [Infinity, -Infinity]
      const ends = [(given - allowed) / expected, (given + allowed) / expected]
      return [Math.min(...ends), Math.max(...ends)]
    })
    const [from, to] = common(factors)
    if (from <= to && Number.isFinite(from) && Number.isFinite(to) && (from + to) / 2 > 0)
      return found('scaled', { scale: (from + to) / 2 })
  }
  return found('unsteady')
}
