import { Refused } from './refused'
/** A dimension groups the units that convert into one another. */
interface Unit {
  readonly dimension: string
  /** Base units in one of this unit. */
  readonly factor: number
  /** Base value at zero of this unit; only temperatures have one. */
  readonly offset?: number
}

const unit = (dimension: string, factor: number, offset?: number): Unit =>
  offset === undefined ? { dimension, factor } : { dimension, factor, offset }

const BTU_J = 1055.05585262
const FOOT_M = 0.3048
/** Pound-force, N. */
const POUND_N = 4.4482216152605

/** Every unit the product knows, by the symbol used in the contract. Base units are SI (°C for temperature). */
export const units = {
  C: unit('temperature', 1, 0),
  K: unit('temperature', 1, -273.15),
  F: unit('temperature', 5 / 9, -160 / 9),
  W: unit('power', 1),
  kW: unit('power', 1000),
  'Btu/h': unit('power', BTU_J / 3600),
  MBH: unit('power', (1000 * BTU_J) / 3600),
  hp: unit('power', FOOT_M * POUND_N * 550),
  'W/K': unit('loss', 1),
  'Btu/h°F': unit('loss', (BTU_J / 3600) * 1.8),
  'J/K': unit('capacity', 1),
  'kJ/K': unit('capacity', 1000),
  'Btu/°F': unit('capacity', BTU_J * 1.8),
  'L/s': unit('flow', 1e-3),
  'L/min': unit('flow', 1e-3 / 60),
  'm3/h': unit('flow', 1 / 3600),
  cfm: unit('flow', FOOT_M ** 3 / 60),
  gpm: unit('flow', 3.785411784e-3 / 60),
  'gpm(US)': unit('flow', 3.785411784e-3 / 60),
  Pa: unit('pressure', 1),
  kPa: unit('pressure', 1000),
  bar: unit('pressure', 1e5),
  psi: unit('pressure', 6894.757293168),
  'in. w.c.': unit('pressure', 249.08891),
  mm: unit('length', 1e-3),
  m: unit('length', 1),
  in: unit('length', 0.0254),
  ft: unit('length', FOOT_M),
  m2: unit('area', 1),
  ft2: unit('area', FOOT_M * FOOT_M),
  mm2: unit('section', 1),
  AWG: unit('section', Number.NaN),
  L: unit('volume', 1e-3),
  gal: unit('volume', 3.785411784e-3),
  'gal(US)': unit('volume', 3.785411784e-3),
  m3: unit('volume', 1),
  ft3: unit('volume', FOOT_M ** 3),
} as const satisfies Record<string, Unit>

export type UnitSymbol = keyof typeof units

/** Diameter ratio of the American wire gauge: 39 steps from 0.46 in (0000) to 0.005 in (36); ASTM B258. */
const mm2OfGauge = (gauge: number) => (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2
const gaugeOfMm2 = (mm2: number) => 36 - (39 * Math.log(Math.sqrt((mm2 * 4) / Math.PI) / 0.127)) / Math.log(92)

/**
 * Converts a value between two units of one dimension.
 * Formula: temperatures °C = (°F − 32) · 5/9; a temperature *difference* uses the factor alone, so that
 * 10 °F-degrees of swing are 5.556 K and never −12.22.
 * Source: exact definitions (inch 25.4 mm, Btu IT 1055.05585262 J, US gallon 3.785411784 L, lbf 4.4482216152605 N, horsepower 550 ft lbf/s,
 * inch of water column at 4 °C 249.08891 Pa, MBH a thousand Btu/h);
 * AWG by ASTM B258, as a continuous gauge number.
 * @throws RangeError when the units belong to different dimensions, or the result does not exist
 * @example convert(10, 'F', 'C', true) // 5.556
 */
export function convert(value: number, from: UnitSymbol, to: UnitSymbol, difference = false): number {
  const source: Unit = units[from]
  const target: Unit = units[to]
  if (source.dimension !== target.dimension)
    throw new Refused(from, {
      must: 'other',
      says: `is a ${source.dimension}, ${to} a ${target.dimension}: they do not convert`,
    })
  if (source.dimension === 'section') return convertSection(value, from, to)
  if (source.offset === undefined || target.offset === undefined || difference)
    return (value * source.factor) / target.factor
  return (value * source.factor + source.offset - target.offset) / target.factor
}

function convertSection(value: number, from: UnitSymbol, to: UnitSymbol): number {
  if (from === to) return value
  if (from === 'AWG') return mm2OfGauge(value)
  if (!(value > 0)) throw new RangeError(`a section of ${value} mm² has no gauge: it must be over 0`)
  return gaugeOfMm2(value)
}
