import { solveMonotone } from '../numeric/solveMonotone'
import type { ThermocoupleType } from './probe'

/** One stretch of a reference function: up to which temperature, and its coefficients, mV over °C. */
interface Stretch {
  readonly toC: number
  readonly coefficients: readonly number[]
  /** Type K above 0 °C: a0 exp(a1 (t − a2)²). */
  readonly bump?: readonly [number, number, number]
}

interface Reference {
  readonly lowC: number
  readonly highC: number
  readonly stretches: readonly Stretch[]
}

/** Reference functions of ITS-90, cold junction at 0 °C. Source: IEC 60584-1 and the NIST ITS-90 tables (monograph 175). */
const references: Readonly<Record<ThermocoupleType, Reference>> = {
  J: {
    lowC: -210,
    highC: 1200,
    stretches: [
      {
        toC: 760,
        coefficients: [
          0, 0.50381187815e-1, 0.3047583693e-4, -0.8568106572e-7, 0.13228195295e-9, -0.17052958337e-12,
          0.20948090697e-15, -0.12538395336e-18, 0.15631725697e-22,
        ],
      },
      {
        toC: 1200,
        coefficients: [
          0.29645625681e3, -0.14976127786e1, 0.31787103924e-2, -0.31847686701e-5, 0.15720819004e-8, -0.30691369056e-12,
        ],
      },
    ],
  },
  K: {
    lowC: -270,
    highC: 1372,
    stretches: [
      {
        toC: 0,
        coefficients: [
          0, 0.39450128025e-1, 0.23622373598e-4, -0.32858906784e-6, -0.49904828777e-8, -0.67509059173e-10,
          -0.57410327428e-12, -0.31088872894e-14, -0.10451609365e-16, -0.19889266878e-19, -0.16322697486e-22,
        ],
      },
      {
        toC: 1372,
        coefficients: [
          -0.17600413686e-1, 0.38921204975e-1, 0.18558770032e-4, -0.99457592874e-7, 0.31840945719e-9,
          -0.56072844889e-12, 0.56075059059e-15, -0.32020720003e-18, 0.97151147152e-22, -0.12104721275e-25,
        ],
        bump: [0.1185976, -0.1183432e-3, 0.1269686e3],
      },
    ],
  },
  T: {
    lowC: -270,
    highC: 400,
    stretches: [
      {
        toC: 0,
        coefficients: [
          0, 0.38748106364e-1, 0.44194434347e-4, 0.11844323105e-6, 0.20032973554e-7, 0.90138019559e-9,
          0.22651156593e-10, 0.36071154205e-12, 0.38493939883e-14, 0.28213521925e-16, 0.14251594779e-18,
          0.48768662286e-21, 0.1079553927e-23, 0.13945027062e-26, 0.79795153927e-30,
        ],
      },
      {
        toC: 400,
        coefficients: [
          0, 0.38748106364e-1, 0.3329222788e-4, 0.20618243404e-6, -0.21882256846e-8, 0.10996880928e-10,
          -0.30815758772e-13, 0.4547913529e-16, -0.27512901673e-19,
        ],
      },
    ],
  },
}

/**
 * Temperatures that a type's table covers, °C.
 * Source: IEC 60584-1.
 * @example thermocoupleRange('K') // [-270, 1372]
 */
export const thermocoupleRange = (type: ThermocoupleType): readonly [number, number] => [
  references[type].lowC,
  references[type].highC,
]

/**
 * Emf of a thermocouple with its cold junction at 0 °C, mV.
 * Formula: Σ cᵢ tⁱ, for type K above 0 °C plus a0 exp(a1 (t − a2)²). Source: ITS-90 reference functions.
 * @throws RangeError when the temperature is off the type's table
 * @example thermocoupleMv('K', 100) // 4.096
 */
export function thermocoupleMv(type: ThermocoupleType, celsius: number): number {
  const { lowC, highC, stretches } = references[type]
  if (!(celsius >= lowC && celsius <= highC))
    throw new RangeError(`a type ${type} thermocouple goes from ${lowC} to ${highC} °C, not ${celsius}`)
  const { coefficients, bump } = stretches.find(({ toC }) => celsius <= toC)!
  let sum = 0
  for (let i = coefficients.length - 1; i >= 0; i--) sum = sum * celsius + coefficients[i]!
  return bump ? sum + bump[0] * Math.exp(bump[1] * (celsius - bump[2]) ** 2) : sum
}

/**
 * Hot junction from the emf measured at the terminals: the cold junction is added as emf, never as degrees.
 * Formula: E(hot) = emf + E(cold), the reference function solved backwards over its whole range.
 * @returns null when the sum is off the type's table
 * Source: ITS-90 reference functions.
 * @example hotJunctionC('K', 3.096, 25) // 100.0
 */
export function hotJunctionC(type: ThermocoupleType, emfMv: number, coldJunctionC: number): number | null {
  const { lowC, highC } = references[type]
  const at = (celsius: number) => thermocoupleMv(type, celsius)
  const sum = emfMv + at(coldJunctionC)
  // A table's end is rounded; half a microvolt beyond it is still the end.
  const [least, most] = [at(lowC), at(highC)]
  if (sum < least - 5e-4 || sum > most + 5e-4) return null
  if (sum <= least) return lowC
  if (sum >= most) return highC
  return solveMonotone(at, lowC, highC, sum)
}
