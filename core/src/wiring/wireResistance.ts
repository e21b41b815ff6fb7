import { Refused } from '../units/refused'
import { type FieldData, fieldValue } from '../plant/fieldValue'

/** Copper at 20 °C, Ω mm²/m. Source: IEC 60028, 17.241 nΩm. */
const RESISTIVITY = 0.017241
const PER_KELVIN = 0.00393

export const constructions = ['pure', 'class2', 'class5', 'gauge'] as const
/** `pure` copper of exactly that section, stranded `class2` or fine-stranded `class5` at its highest resistance, stranded by trade `gauge`. */
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
  [50, 0.387, 0.386],
]

/** Stranded uncoated copper at 75 °C by trade gauge, mΩ/m: section, resistance. Source: US direct-current resistance table for stranded copper. */
const gauges75C: readonly (readonly [areaMm2: number, milliohm: number])[] = [
  [0.82, 26.1],
  [1.31, 16.4],
  [2.08, 10.3],
  [3.31, 6.5],
  [5.26, 4.07],
  [8.37, 2.551],
  [13.3, 1.608],
  [21.2, 1.01],
  [26.7, 0.802],
  [33.6, 0.634],
  [42.4, 0.505],
]
/** Temperature of that table, °C. */
const GAUGE_TABLE_C = 75
/** A loaded PVC cable, °C. */
export const WARM_C = 70

/** Sections that the standard lists, mm². */
export const tradeSizesMm2 = iec60228.map(([area]) => area)

/** Sections that are listed of a construction, smallest first; pure copper is offered in those of the standard. */
export const listedMm2 = (construction: Construction): readonly number[] =>
  construction === 'gauge' ? gauges75C.map(([area]) => area) : tradeSizesMm2

function perMetreOhm(areaMm2: number, construction: Construction): number {
  if (construction === 'pure') return RESISTIVITY / areaMm2
  if (construction === 'gauge') {
    const gauge = gauges75C.find(([area]) => area === areaMm2)
    if (!gauge)
      throw new Refused('areaMm2', {
        must: 'other',
        says: `${areaMm2} is no trade gauge: ${gauges75C.map(([area]) => area).join(', ')} mm² are listed`,
      })
    return gauge[1] / 1000 / (1 + PER_KELVIN * (GAUGE_TABLE_C - 20))
  }
  const row = iec60228.find(([area]) => area === areaMm2)
  if (!row)
    throw new Refused('areaMm2', {
      must: 'other',
      says: `${areaMm2} is no section of ${construction}: ${tradeSizesMm2.join(', ')} mm² are listed`,
    })
  return row[construction === 'class2' ? 1 : 2] / 1000
}

/**
 * Resistance of one core, ohm = ρ L / A, with copper's rise of 0.393 % a kelvin.
 * Source: IEC 60228 (classes), copper of 0.017241 ohm mm²/m at 20 °C (IEC 60028).
 * @throws RangeError unless length ≥ 0, area > 0, and listed when the construction is a class
 * @example coreOhm(10, 1.5) // 0.1149
 */
export function coreOhm(
  lengthM: number,
  areaMm2: number,
  conductorC = 20,
  construction: Construction = 'pure',
): number {
  if (!(lengthM >= 0)) throw new Refused('lengthM', { must: 'or more', value: lengthM, than: 0 })
  if (!(areaMm2 > 0)) throw new Refused('areaMm2', { must: 'over', value: areaMm2, than: 0 })
  return perMetreOhm(areaMm2, construction) * lengthM * (1 + PER_KELVIN * (conductorC - 20))
}

/**
 * How a wire of a section is made, where nobody says better: fine-stranded, or by its gauge; a section in neither list as pure copper.
 * Source: IEC 60228 sections; gauges by common North American practice.
 * @example usualConstruction(1.5) // 'class5'
 */
export const usualConstruction = (areaMm2: number): Construction =>
  gauges75C.some(([area]) => area === areaMm2) ? 'gauge' : tradeSizesMm2.includes(areaMm2) ? 'class5' : 'pure'

/**
 * A wire that carries its load, where no better is known: warm stranded copper (70 °C), ohm.
 * Source: IEC 60228 class 5, copper at 70 °C.
 * @example warmWireOhm(10, 2.5) // 0.0955
 */
export const warmWireOhm = (lengthM: number, areaMm2: number): number =>
  coreOhm(lengthM, areaMm2, WARM_C, usualConstruction(areaMm2))

/**
 * A wire as it is measured dead: stranded copper at 20 °C, ohm.
 * Source: IEC 60228 class 5 at 20 °C.
 * @example coldWireOhm(10, 2.5) // 0.0798
 */
export const coldWireOhm = (lengthM: number, areaMm2: number): number =>
  coreOhm(lengthM, areaMm2, 20, usualConstruction(areaMm2))

/** Clamps and connections at both ends of a row, ohm. */
const CLAMPS_OHM = 0.1

/**
 * Highest resistance that still proves a row: stranded copper at 20 °C, its connections, and meter leads that were not nulled. A section that
 * nobody knows is given nothing for its length.
 * Source: IEC 60228 class 5; field data cont.leads.
 */
export function continuityLimitOhm(lengthM: number, areaMm2: number | null, data: FieldData): number {
  return (areaMm2 === null ? 0 : coldWireOhm(lengthM, areaMm2)) + CLAMPS_OHM + fieldValue(data, 'cont.leads').typical
}
