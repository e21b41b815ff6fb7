import { type FieldData, fieldValue } from '../plant/fieldValue'

/** Copper at 20 °C, Ω mm²/m. Source: IEC 60028, 17.241 nΩm. */
const RESISTIVITY = 0.017241
const PER_KELVIN = 0.00393

export const constructions = ['pure', 'class2', 'class5'] as const
/** `pure` copper of exactly that section, stranded `class2` or fine-stranded `class5` at its highest resistance. */
export type Construction = (typeof constructions)[number]

/** Highest resistance at 20 °C, mΩ/m, plain copper: section, class 2, class 5. Source: IEC 60228. */
const iec60228: readonly (readonly [areaMm2: number, class2: number, class5: number])[] = [
  [0.5, 36, 39],
  [0.75, 24.5, 26],
  [1, 18.1, 19.5],
  [1.5, 12.1, 13.3],
  [2.5, 7.41, 7.98],
  [4, 4.61, 4.95],
  [6, 3.08, 3.3],
  [10, 1.83, 1.91],
  [16, 1.15, 1.21],
  [25, 0.727, 0.78],
  [35, 0.524, 0.554],
]

/** Sections that the standard lists, mm². */
export const tradeSizesMm2 = iec60228.map(([area]) => area)

function perMetreOhm(areaMm2: number, construction: Construction): number {
  if (construction === 'pure') return RESISTIVITY / areaMm2
  const row = iec60228.find(([area]) => area === areaMm2)
  if (!row)
    throw new RangeError(
      `areaMm2 ${areaMm2} is no section of ${construction}: ${tradeSizesMm2.join(', ')} mm² are listed`,
    )
  return row[construction === 'class2' ? 1 : 2] / 1000
}

/**
 * Resistance of one core, ohm = ρ L / A, with copper's rise of 0.393 % a kelvin.
 * @throws RangeError unless length ≥ 0, area > 0, and listed when the construction is a class
 */
export function coreOhm(
  lengthM: number,
  areaMm2: number,
  conductorC = 20,
  construction: Construction = 'pure',
): number {
  if (!(lengthM >= 0)) throw new RangeError(`lengthM ${lengthM} must be 0 or more`)
  if (!(areaMm2 > 0)) throw new RangeError(`areaMm2 ${areaMm2} must be over 0`)
  return perMetreOhm(areaMm2, construction) * lengthM * (1 + PER_KELVIN * (conductorC - 20))
}

/**
 * Highest resistance that still proves a row: 1.2 × core + 0.3 ohm for joints and meter tips that were not nulled.
 * Source: field data cont.limit (IEC 60228 and practice), cont.leads.
 */
export function continuityLimitOhm(lengthM: number, areaMm2: number, data: FieldData): number {
  return 1.2 * coreOhm(lengthM, areaMm2) + 0.1 + fieldValue(data, 'cont.leads').typical
}
