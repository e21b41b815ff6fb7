import type { Probe } from './probe'

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

/** Steinhart-Hart: 1/T = a + b ln R + c (ln R)³, solved for ln R by its one real root (Cardano). */
function steinhartHart(a: number, b: number, c: number): ProbeCurve {
  return {
    lowC: -50,
    highC: 150,
    resistance: (t) => {
      const y = (a - 1 / (t + ZERO_K)) / (2 * c)
      const root = Math.sqrt((b / (3 * c)) ** 3 + y * y)
      return Math.exp(Math.cbrt(root - y) - Math.cbrt(root + y))
    },
    temperature: (ohm) => 1 / (a + b * Math.log(ohm) + c * Math.log(ohm) ** 3) - ZERO_K,
  }
}

function positive(name: string, value: number): number {
  if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} ${value} must be a number over 0`)
  return value
}

/**
 * Prepares the curve of a probe once, to be called often.
 * Source: IEC 60751 (platinum, −200…850 °C); beta and Steinhart-Hart models for thermistors (−50…150 °C).
 * @throws RangeError when a parameter is not over 0
 */
export function probeCurve(probe: Probe): ProbeCurve {
  switch (probe.kind) {
    case 'rtd':
      return platinum(positive('r0Ohm', probe.r0Ohm))
    case 'ntc':
      return thermistor(positive('r25Ohm', probe.r25Ohm), positive('betaK', probe.betaK))
    case 'steinhart':
      positive('b', probe.b)
      return steinhartHart(probe.a, probe.b, positive('c', probe.c))
  }
}
