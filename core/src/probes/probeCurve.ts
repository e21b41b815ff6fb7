import { Refused } from '../units/refused'
import { monotoneCubic } from '../numeric/interpolate'
import { solveMonotone } from '../numeric/solveMonotone'
import type { ResistiveProbe } from './probe'

/** A probe curve: resistance over temperature and back, with the range it is good for. */
export interface ProbeCurve {
  readonly lowC: number
  readonly highC: number
  readonly resistance: (temperatureC: number) => number
  /** Inverse within the range; the caller checks the range first. */
  readonly temperature: (resistanceOhm: number) => number
}

const ZERO_K = 273.15

/** IEC 60751:2022, coefficients of the Callendar-Van Dusen equation for platinum of 3.9083e-3/K. */
const A = 3.9083e-3
const B = -5.775e-7
const C = -4.183e-12

function platinum(r0Ohm: number): ProbeCurve {
  const ratio = (t: number) => 1 + A * t + B * t * t + (t < 0 ? C * (t - 100) * t ** 3 : 0)
  const slope = (t: number) => A + 2 * B * t + (t < 0 ? C * (4 * t ** 3 - 300 * t * t) : 0)
  return {
    lowC: -200,
    highC: 850,
    resistance: (t) => r0Ohm * ratio(t),
    temperature: (ohm) => {
      const r = ohm / r0Ohm
      // Above 0 °C the quadratic solves in closed form; it also seeds Newton's steps below.
      let t = (-A + Math.sqrt(Math.max(0, A * A - 4 * B * (1 - r)))) / (2 * B)
      if (r < 1) for (let i = 0; i < 30; i++) t -= (ratio(t) - r) / slope(t)
      return t
    },
  }
}

/** Two-parameter thermistor model: R = R25 exp(β (1/T − 1/298.15)). */
function thermistor(r25Ohm: number, betaK: number): ProbeCurve {
  const t25 = 25 + ZERO_K
  return {
    lowC: -50,
    highC: 150,
    resistance: (t) => r25Ohm * Math.exp(betaK * (1 / (t + ZERO_K) - 1 / t25)),
    temperature: (ohm) => 1 / (Math.log(ohm / r25Ohm) / betaK + 1 / t25) - ZERO_K,
  }
}

/** ln R of the Steinhart-Hart equation: a + b x + c x³ = 1/T. Cardano's one real root, or Newton's where c is nothing or under it. */
function steinhartLnR(a: number, b: number, c: number, t: number): number {
  const y = a - 1 / (t + ZERO_K)
  if (c > 1e-12) {
    const half = y / (2 * c)
    const root = Math.sqrt((b / (3 * c)) ** 3 + half * half)
    return Math.cbrt(root - half) - Math.cbrt(root + half)
  }
  let x = -y / b
  for (let i = 0; i < 50; i++) x -= (y + b * x + c * x ** 3) / (b + 3 * c * x * x)
  return x
}

function steinhartHart(a: number, b: number, c: number): ProbeCurve {
  return {
    lowC: -50,
    highC: 150,
    resistance: (t) => Math.exp(steinhartLnR(a, b, c, t)),
    temperature: (ohm) => 1 / (a + b * Math.log(ohm) + c * Math.log(ohm) ** 3) - ZERO_K,
  }
}

/**
 * Silicon: R = R25 (1 + 7.874e-3 Δ + 1.874e-5 Δ²), Δ = t − 25; above 100 °C less R25 · 3.42e-8 (t − 100)^3.7 where R25 < 1500 ohm.
 * Source: printed typical curve of silicon spreading-resistance probes.
 */
function silicon(r25Ohm: number): ProbeCurve {
  const bends = r25Ohm < 1500
  const resistance = (t: number) => {
    const over = t - 25
    const straight = 1 + 7.874e-3 * over + 1.874e-5 * over * over
    return r25Ohm * (straight - (bends && t > 100 ? 3.42e-8 * (t - 100) ** 3.7 : 0))
  }
  return { lowC: -55, highC: 150, resistance, temperature: (ohm) => solveMonotone(resistance, -55, 150, ohm) }
}

/** Nickel of 6180 ppm/K by DIN 43760, and the 5000 ppm/K kind by its makers' common polynomial. */
function nickel(r0Ohm: number, ppmPerK: 6180 | 5000): ProbeCurve {
  const ratio =
    ppmPerK === 6180
      ? (t: number) => 1 + 5.485e-3 * t + 6.65e-6 * t * t + 2.805e-11 * t ** 4 - 2e-17 * t ** 6
      : (t: number) => 1 + 4.427e-3 * t + 5.172e-6 * t * t + 5.585e-9 * t ** 3
  const [lowC, highC] = ppmPerK === 6180 ? [-60, 250] : [-50, 150]
  return {
    lowC,
    highC,
    resistance: (t) => r0Ohm * ratio(t),
    temperature: (ohm) => solveMonotone(ratio, lowC, highC, ohm / r0Ohm),
  }
}

/** A printed table: a cubic in ln R over temperature that keeps the table's direction between its points. */
function table(points: readonly (readonly [number, number])[]): ProbeCurve {
  if (points.length < 2)
    throw new Refused('points', { must: 'other', says: `are ${points.length}: a table needs at least 2` })
  for (const [celsius, ohm] of points)
    if (!Number.isFinite(celsius) || !(ohm > 0) || !Number.isFinite(ohm))
      throw new Refused('points', {
        must: 'other',
        says: `hold ${ohm} ohm at ${celsius} °C: every resistance must be over 0`,
      })
  const sign = Math.sign(points[1]![1] - points[0]![1])
  for (let i = 1; i < points.length; i++) {
    const [[t0, r0], [t1, r1]] = [points[i - 1]!, points[i]!]
    if (!(t1 > t0))
      throw new Refused('points', { must: 'other', says: `must rise in temperature: ${t1} °C follows ${t0} °C` })
    if (sign === 0 || Math.sign(r1 - r0) !== sign)
      throw new Refused('points', {
        must: 'other',
        says: `must only rise or only fall in resistance: ${r1} ohm follows ${r0} ohm`,
      })
  }
  const lnOhm = monotoneCubic(points.map(([celsius, ohm]) => [celsius, Math.log(ohm)]))
  const [lowC, highC] = [points[0]![0], points[points.length - 1]![0]]
  const temperature = (ohm: number) => {
    const [first, last] = [points[0]!, points[points.length - 1]!]
    if (ohm === first[1]) return first[0]
    if (ohm === last[1]) return last[0]
    return solveMonotone(lnOhm, lowC, highC, Math.log(ohm))
  }
  return { lowC, highC, resistance: (t) => Math.exp(lnOhm(t)), temperature }
}

function positive(name: string, value: number): number {
  if (!(value > 0) || !Number.isFinite(value)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  return value
}

function build(probe: ResistiveProbe): ProbeCurve {
  switch (probe.kind) {
    case 'rtd':
      return platinum(positive('r0Ohm', probe.r0Ohm))
    case 'ntc':
      return thermistor(positive('r25Ohm', probe.r25Ohm), positive('betaK', probe.betaK))
    case 'steinhart':
      return steinhartHart(probe.a, positive('b', probe.b), probe.c)
    case 'ptc-silicon':
      return silicon(positive('r25Ohm', probe.r25Ohm))
    case 'nickel':
      return nickel(positive('r0Ohm', probe.r0Ohm), probe.ppmPerK)
    case 'table':
      return table(probe.points)
  }
}

const prepared = new WeakMap<ResistiveProbe, ProbeCurve>()

/**
 * Prepares the curve of a probe once, to be called often.
 * Source: IEC 60751 (platinum, −200…850 °C); DIN 43760 (nickel); printed silicon curve (−55…150 °C); beta and
 * Steinhart-Hart models for thermistors (−50…150 °C); a table by a cubic that keeps its direction.
 * @throws RangeError when a parameter is not over 0, a table has no direction, or the curve gives no resistance in its range
 * @example probeCurve({ kind: 'rtd', r0Ohm: 100 }).resistance(100) // 138.5
 */
export function probeCurve(probe: ResistiveProbe): ProbeCurve {
  const known = prepared.get(probe)
  if (known) return known
  const curve = build(probe)
  const [low, high] = [curve.resistance(curve.lowC), curve.resistance(curve.highC)]
  const back = curve.temperature(curve.resistance((curve.lowC + curve.highC) / 2))
  const sound =
    [low, high].every((ohm) => ohm > 0 && Number.isFinite(ohm)) &&
    low !== high &&
    Math.abs(back - (curve.lowC + curve.highC) / 2) < 0.01
  if (!sound)
    throw new RangeError(
      `the curve of this ${probe.kind} probe gives no usable resistance between ${curve.lowC} and ${curve.highC} °C`,
    )
  prepared.set(probe, curve)
  return curve
}
