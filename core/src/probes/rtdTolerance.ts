import { Refused } from '../units/refused'
import { probeCurve } from './probeCurve'

export const rtdClasses = ['A', 'B'] as const
export type RtdClass = (typeof rtdClasses)[number]

interface RtdTolerance {
  readonly toleranceK: number
  readonly toleranceOhm: number
  readonly lowOhm: number
  readonly highOhm: number
  /** Whether the class is promised at this temperature at all (wire-wound; film resistors end sooner). */
  readonly promised: boolean
}

/** Temperatures for which IEC 60751 promises a class to wire-wound resistors, °C. */
const promisedFor: Readonly<Record<RtdClass, readonly [number, number]>> = { A: [-100, 450], B: [-196, 600] }

/**
 * What a platinum resistor may be off. Formula: class A ±(0.15 + 0.002 |t|) K, class B ±(0.30 + 0.005 |t|) K.
 * Source: IEC 60751. The ohms are those of the curve at either end.
 * @throws RangeError when the temperature with its tolerance is off the curve
 * @example rtdTolerance(100, 'B', 100).toleranceK // 0.80
 */
export function rtdTolerance(r0Ohm: number, rtdClass: RtdClass, temperatureC: number): RtdTolerance {
  const curve = probeCurve({ kind: 'rtd', r0Ohm })
  const away = Math.abs(temperatureC)
  const toleranceK = rtdClass === 'A' ? 0.15 + 0.002 * away : 0.3 + 0.005 * away
  const [from, to] = [temperatureC - toleranceK, temperatureC + toleranceK]
  if (from < curve.lowC || to > curve.highC)
    throw new Refused('temperatureC', {
      must: 'other',
      says: `${temperatureC} with its tolerance must lie between ${curve.lowC} and ${curve.highC} °C`,
    })
  const [lowest, highest] = promisedFor[rtdClass]
  const [lowOhm, highOhm] = [curve.resistance(from), curve.resistance(to)]
  return {
    toleranceK,
    toleranceOhm: (highOhm - lowOhm) / 2,
    lowOhm,
    highOhm,
    promised: temperatureC >= lowest && temperatureC <= highest,
  }
}
