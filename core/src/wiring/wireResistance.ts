import { type FieldData, fieldValue } from '../plant/fieldValue'

/** Copper at 20 °C, Ω mm²/m. Source: IEC 60028, 17.241 nΩm. */
const RESISTIVITY = 0.017241
const PER_KELVIN = 0.00393

/** Resistance of one core, ohm = ρ L / A, with copper's rise of 0.393 % a kelvin. @throws RangeError unless length ≥ 0, area > 0 */
export function coreOhm(lengthM: number, areaMm2: number, conductorC = 20): number {
  if (!(lengthM >= 0)) throw new RangeError(`lengthM ${lengthM} must be 0 or more`)
  if (!(areaMm2 > 0)) throw new RangeError(`areaMm2 ${areaMm2} must be over 0`)
  return ((RESISTIVITY * lengthM) / areaMm2) * (1 + PER_KELVIN * (conductorC - 20))
}

/**
 * Highest resistance that still proves a row: 1.2 × core + 0.3 ohm for joints and meter tips that were not nulled.
 * Source: field data cont.limit (IEC 60228 and practice), cont.leads.
 */
export function continuityLimitOhm(lengthM: number, areaMm2: number, data: FieldData): number {
  return 1.2 * coreOhm(lengthM, areaMm2) + 0.1 + fieldValue(data, 'cont.leads').typical
}
