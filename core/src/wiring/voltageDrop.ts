import { type Construction, coreOhm, listedMm2 } from './wireResistance'

export interface VoltageDropInput {
  /** One way. */
  readonly lengthM: number
  readonly areaMm2: number
  readonly currentA: number
  readonly supplyV: number
  readonly conductorC?: number | undefined
  readonly construction?: Construction | undefined
  readonly phases?: 1 | 3 | undefined
  readonly allowedPercent?: number | undefined
}

interface VoltageDrop {
  /** Out and back, as a meter reads it over the pair joined at the far end. */
  readonly loopOhm: number
  readonly dropV: number
  readonly dropPercent: number
  /** What is left at the load; 0 where the wire alone would take it all. */
  readonly endV: number
  readonly maximumLengthM?: number | null
  readonly minimumAreaMm2?: number | null
  /** Smallest listed section that keeps within what is allowed. */
  readonly tradeAreaMm2?: number | null
}

/**
 * Voltage lost along a cable. Formula: 2 R I for two cores, √3 R I for three phases, R one way.
 * With an allowed share also how far this size reaches and which section this length needs: exactly for pure copper, the next listed one
 * for a class.
 * @throws RangeError from coreOhm
 * Source: Ohm’s law; resistance of copper by IEC 60228.
 * @example voltageDrop({ lengthM: 10, areaMm2: 1.5, currentA: 10, supplyV: 230, conductorC: 20 }).dropV // 2.3
 */
export function voltageDrop(input: VoltageDropInput): VoltageDrop {
  const { lengthM, areaMm2, currentA, supplyV, conductorC = 20, construction = 'pure', phases = 1 } = input
  const factor = phases === 3 ? Math.sqrt(3) : 2
  const dropOf = (metres: number, mm2: number) => factor * coreOhm(metres, mm2, conductorC, construction) * currentA
  const dropV = dropOf(lengthM, areaMm2)
  const result = {
    loopOhm: 2 * coreOhm(lengthM, areaMm2, conductorC, construction),
    dropV,
    dropPercent: (100 * dropV) / supplyV,
    endV: Math.max(0, supplyV - dropV),
  }
  if (input.allowedPercent === undefined) return result
  const allowedV = (input.allowedPercent / 100) * supplyV
  const perMetreV = dropOf(1, areaMm2)
  const listed = listedMm2(construction).find((mm2) => dropOf(lengthM, mm2) <= allowedV + 1e-12) ?? null
  return {
    ...result,
    maximumLengthM: perMetreV > 0 ? allowedV / perMetreV : null,
    minimumAreaMm2: construction === 'pure' ? dropOf(lengthM, 1) / allowedV || null : listed,
    tradeAreaMm2: listed,
  }
}
