import { Refused } from '../units/refused'
interface SteinhartCoefficients {
  readonly a: number
  readonly b: number
  readonly c: number
}

/**
 * The Steinhart-Hart equation through three points: 1/T = a + b ln R + c (ln R)³.
 * Formula: with L = ln R, Y = 1/T and divided differences γ: c = (γ3 − γ2)/(L3 − L2) / (L1 + L2 + L3), b = γ2 − c (L1² + L1 L2 + L2²),
 * a = Y1 − (b + c L1²) L1. Source: Steinhart and Hart (1968).
 * @throws RangeError unless there are three points whose resistance falls as the temperature rises
 * @example steinhartFit([{ temperatureC: 5, resistanceOhm: 25340 }, { temperatureC: 25, resistanceOhm: 10000 }, { temperatureC: 45, resistanceOhm: 4488 }]).a * 1000 // 0.822
 */
export function steinhartFit(
  points: readonly { readonly temperatureC: number; readonly resistanceOhm: number }[],
): SteinhartCoefficients {
  if (points.length !== 3)
    throw new Refused('points', { must: 'other', says: `are ${points.length}: three are needed` })
  const sorted = [...points].sort((p, q) => p.temperatureC - q.temperatureC)
  for (let i = 0; i < 3; i++) {
    const { temperatureC, resistanceOhm } = sorted[i]!
    const before = sorted[i - 1]
    if (!(resistanceOhm > 0) || !(temperatureC > -273.15))
      throw new Refused('points', {
        must: 'other',
        says: `hold ${resistanceOhm} ohm at ${temperatureC} °C: a thermistor has a resistance over 0`,
      })
    if (before && !(temperatureC > before.temperatureC))
      throw new Refused('points', {
        must: 'other',
        says: `hold ${temperatureC} °C twice: three different temperatures are needed`,
      })
    if (before && !(resistanceOhm < before.resistanceOhm))
      throw new Refused('points', {
        must: 'other',
        says: `rise from ${before.resistanceOhm} to ${resistanceOhm} ohm: the resistance of an NTC falls as it warms`,
      })
  }
  const [l1, l2, l3] = sorted.map(({ resistanceOhm }) => Math.log(resistanceOhm)) as [number, number, number]
  const [y1, y2, y3] = sorted.map(({ temperatureC }) => 1 / (temperatureC + 273.15)) as [number, number, number]
  const g2 = (y2 - y1) / (l2 - l1)
  const g3 = (y3 - y1) / (l3 - l1)
  const c = (g3 - g2) / (l3 - l2) / (l1 + l2 + l3)
  const b = g2 - c * (l1 * l1 + l1 * l2 + l2 * l2)
  return { a: y1 - (b + c * l1 * l1) * l1, b, c }
}
