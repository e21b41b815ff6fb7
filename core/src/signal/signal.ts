import { Refused } from '../units/refused'
/** What carries a value from a control to what it moves, or from a transmitter to an input. */
export const signals = [
  '0-10V',
  '2-10V',
  '0-20mA',
  '4-20mA',
  '0-5V',
  '1-5V',
  '10-0V',
  '20-4mA',
  '10-2V',
  '20-0mA',
  'pwm',
  '135-ohm',
  'three-point',
] as const
export type Signal = (typeof signals)[number]

interface SignalSpan {
  readonly unit: 'V' | 'mA' | '%' | 'ohm' | 's'
  /** Value at 0 % and at 100 %. */
  readonly at0: number
  readonly at100: number
}

const fixed: Readonly<Record<Exclude<Signal, 'three-point'>, SignalSpan>> = {
  '0-10V': { unit: 'V', at0: 0, at100: 10 },
  '2-10V': { unit: 'V', at0: 2, at100: 10 },
  '0-20mA': { unit: 'mA', at0: 0, at100: 20 },
  '4-20mA': { unit: 'mA', at0: 4, at100: 20 },
  '0-5V': { unit: 'V', at0: 0, at100: 5 },
  '1-5V': { unit: 'V', at0: 1, at100: 5 },
  '10-0V': { unit: 'V', at0: 10, at100: 0 },
  '20-4mA': { unit: 'mA', at0: 20, at100: 4 },
  '10-2V': { unit: 'V', at0: 10, at100: 2 },
  '20-0mA': { unit: 'mA', at0: 20, at100: 0 },
  pwm: { unit: '%', at0: 0, at100: 100 },
  '135-ohm': { unit: 'ohm', at0: 0, at100: 135 },
}

/**
 * The span of a signal. Three-point is counted in seconds of opening from closed, so it needs the travel time.
 * Source: IEC 60381-1 (current), IEC 60381-2 (voltage).
 * @throws RangeError naming travelS when three-point has none
 * @example signalSpan('4-20mA').at0 // 4
 */
export function signalSpan(signal: Signal, travelS?: number): SignalSpan {
  if (signal !== 'three-point') return fixed[signal]
  if (travelS === undefined || !(travelS > 0))
    throw new Refused('travelS', {
      must: 'other',
      says: `${travelS ?? 'is missing'}: three-point needs the seconds to open or close, a number over 0`,
    })
  return { unit: 's', at0: 0, at100: travelS }
}

/**
 * Value of a signal at a share of its span.
 * Formula: least + share × (most − least).
 * @example signalValue({ at0: 4, at100: 20, unit: 'mA' }, 50) // 12
 */
export const signalValue = ({ at0, at100 }: SignalSpan, percent: number) => at0 + ((at100 - at0) * percent) / 100

/**
 * Share of its span that a signal's value means; not limited to 0…100.
 * Formula: 100 (value − least)/(most − least).
 * @example signalPercent({ at0: 4, at100: 20, unit: 'mA' }, 12) // 50
 */
export const signalPercent = ({ at0, at100 }: SignalSpan, value: number) => (100 * (value - at0)) / (at100 - at0)

/**
 * Lowest value of the span when that is not zero: what tells a broken wire from zero.
 * Source: IEC 60381-1.
 * @example liveZero({ at0: 4, at100: 20, unit: 'mA' }) // 4
 */
export const liveZero = ({ at0, at100 }: SignalSpan) => Math.min(at0, at100)
