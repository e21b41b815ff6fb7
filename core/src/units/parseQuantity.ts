import { convert, type UnitSymbol } from './convert'
import { parseNumber } from './parseNumber'
import { type Quantity, quantityView, type UnitPreferences } from './quantity'

/** A number with its unit, as it was typed. */
export type ParsedQuantity =
  | { readonly ok: true; readonly si: number; /** A unit was typed along. */ readonly along: boolean }
  /** `units`: what may be typed along; empty where it is no number at all. */
  | { readonly ok: false; readonly given: string; readonly units: readonly string[] }

/** A unit that may be typed along, and what one number of it is in the unit of the store. */
type Along = readonly [names: readonly string[], toSi: (value: number) => number]

const by = (base: UnitSymbol, difference = false) => {
  return (unit: UnitSymbol, ...names: string[]): Along => [names, (value) => convert(value, unit, base, difference)]
}
const times = (factor: number, ...names: string[]): Along => [names, (value) => value * factor]

const [watts, metres, squares, litres, cubes, pascals, kelvins, celsius, perKelvin] = [
  by('W'),
  by('m'),
  by('m2'),
  by('L'),
  by('m3'),
  by('Pa'),
  by('K', true),
  by('C'),
  by('W/K'),
]
const [flows, pressures] = [by('m3/h'), by('kPa')]

const POUND_KG = 0.45359237
const FOOT_M = 0.3048
const BTU_KWH = convert(1, 'Btu/h', 'kW')

const power: readonly Along[] = [
  watts('W', 'W', 'w', 'watt', 'watts'),
  watts('kW', 'kW', 'kw'),
  watts('Btu/h', 'Btu/h', 'btu/h', 'btuh', 'btu'),
  watts('MBH', 'MBH', 'mbh'),
  watts('hp', 'hp'),
]
const length: readonly Along[] = [
  metres('m', 'm'),
  metres('mm', 'mm'),
  times(0.01, 'cm'),
  metres('ft', 'ft', "'", '\u2032', 'feet', 'foot'),
  metres('in', 'in', '"', '\u2033', '\u201d', 'inch', 'inches'),
]
const pressure = (unit: typeof pascals): readonly Along[] => [
  unit('Pa', 'Pa', 'pa'),
  unit('kPa', 'kPa', 'kpa'),
  unit('bar', 'bar'),
  unit('psi', 'psi'),
  unit('in. w.c.', 'in. w.c.', 'in.w.c.', 'inwc', 'inh2o', '"wc'),
]
const flow: readonly Along[] = [
  flows('m3/h', 'm³/h', 'm3/h'),
  flows('L/s', 'L/s', 'l/s'),
  flows('L/min', 'L/min', 'l/min'),
  flows('gpm', 'gpm'),
  flows('cfm', 'cfm'),
]

/** What may be typed along with a quantity; whatever is not here takes the unit of its field alone. The first name is the one to show. */
const along: Partial<Readonly<Record<Quantity, readonly Along[]>>> = {
  temperature: [celsius('C', '°C', '°c', 'c', '℃'), celsius('F', '°F', '°f', 'f', '℉')],
  difference: [kelvins('K', 'K', 'c', '°c'), [['°F', '°f', 'f'], (value) => convert(value, 'F', 'K', true)]],
  power,
  electricPower: power,
  loss: [perKelvin('W/K', 'W/K', 'w/k'), perKelvin('Btu/h°F', 'Btu/h°F', 'btu/h°f', 'btu/hf')],
  area: [squares('m2', 'm²', 'm2', 'sqm'), squares('ft2', 'ft²', 'ft2', 'sqft')],
  length,
  thickness: length,
  volume: [cubes('m3', 'm³', 'm3'), cubes('L', 'L', 'l'), cubes('gal', 'gal'), cubes('ft3', 'ft³', 'ft3')],
  gasVolume: [cubes('m3', 'm³', 'm3'), cubes('L', 'L', 'l'), cubes('ft3', 'ft³', 'ft3', 'cf')],
  litres: [litres('L', 'L', 'l'), litres('m3', 'm³', 'm3'), litres('gal', 'gal')],
  pressure: pressure(pascals),
  kilopascals: pressure(pressures),
  airFlow: flow,
  waterFlow: flow,
  massFlow: [times(1, 'kg/h'), times(POUND_KG, 'lb/h')],
  mass: [times(1, 'kg'), times(POUND_KG, 'lb', 'lbs')],
  section: [times(1, 'mm²', 'mm2'), [['AWG', 'awg'], (value) => convert(value, 'AWG', 'mm2')]],
  resistance: [
    times(1, 'ohm', 'ohms', 'ω', 'Ω'),
    times(1e3, 'k', 'kohm', 'kohms', 'kω'),
    times(1e6, 'M', 'Mohm', 'Mohms', 'MΩ'),
  ],
  current: [times(1, 'A', 'a'), times(1e-3, 'mA')],
  voltage: [times(1, 'V', 'v'), times(1e-3, 'mV'), times(1e3, 'kV', 'kv')],
  apparentPower: [times(1, 'VA', 'va'), times(1e3, 'kVA', 'kva')],
  energy: [
    times(1, 'kWh', 'kwh'),
    times(1e3, 'MWh'),
    times(BTU_KWH, 'Btu', 'btu'),
    times(BTU_KWH * 1e5, 'therm', 'therms'),
  ],
  seconds: [times(1, 's', 'sec'), times(60, 'min'), times(3600, 'h')],
  minutes: [times(1, 'min'), times(60, 'h'), times(1 / 60, 's', 'sec')],
  hours: [times(1, 'h'), times(1 / 60, 'min'), times(24, 'd', 'days')],
  percent: [times(1, '%')],
}

/** A number, a fraction, or a number with one behind it: 21.5, 1/2, 5 1/2, 5-1/2. */
const FRACTION = /^([+-]?)(?:(\d{1,6})[ -])?(\d{1,4})\/(\d{1,4})$/

function plainOrFraction(text: string): number | undefined {
  const plain = text.trim()
  const read = parseNumber(plain)
  if (read.ok) return read.value
  const found = FRACTION.exec(plain)
  if (!found) return undefined
  const [, sign, whole = '0', over, under] = found
  if (Number(under) === 0) return undefined
  return (sign === '-' ? -1 : 1) * (Number(whole) + Number(over) / Number(under))
}

/** What a number ends with: its unit begins with a letter or a sign that no number has. */
const PARTS = /^([-+\d\s.,/]*\d[.,]?)\s*(?![eE]\d)(\D.*)$/
const FEET = /^(.+?)\s*(?:'|\u2032|ft|feet|foot)\s*(\d.*?)\s*(?:"|\u2033|\u201d|in|inch|inches)?$/
const LONGEST = 40

/** Feet and inches, m; undefined where it is none. */
function feetAndInches(text: string): number | undefined {
  const found = FEET.exec(text)
  if (!found) return undefined
  const [feet, inches] = [plainOrFraction(found[1]!), plainOrFraction(found[2]!)]
  if (feet === undefined || inches === undefined || inches < 0) return undefined
  const sign = found[1]!.trim().startsWith('-') ? -1 : 1
  return feet * FOOT_M + (sign * inches * FOOT_M) / 12
}

/** What may be typed along with a quantity: the first name of each unit. */
export const unitsAlong = (quantity: Quantity): readonly string[] =>
  (along[quantity] ?? []).flatMap(([[first]]) => (first === undefined ? [] : [first]))

/**
 * Reads a figure as a fitter types it: alone it is in the unit of its field; with a unit typed along in that; a fraction as it stands on a
 * rule or a plate; feet with inches.
 * @returns the value in the unit of the store, or what may be typed along where the unit is none of them
 * @example parseQuantity("5' 6 1/2\"", 'length', { temperatureUnit: 'C', system: 'metric' }) // { ok: true, si: 1.6891, along: true }
 */
export function parseQuantity(text: string, quantity: Quantity, preferences: UnitPreferences): ParsedQuantity {
  const plain = text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/\u00a0/g, ' ')
  const refused = (units: readonly string[] = []): ParsedQuantity => ({ ok: false, given: text, units })
  if (plain === '' || plain.length > LONGEST) return refused()
  const view = quantityView(quantity, preferences)
  const alone = plainOrFraction(plain)
  if (alone !== undefined) return { ok: true, si: view.toSi(alone), along: false }
  const lower = plain.toLowerCase()
  if (quantity === 'length' || quantity === 'thickness') {
    const si = feetAndInches(lower)
    if (si !== undefined) return { ok: true, si, along: true }
  }
  const found = PARTS.exec(plain)
  const value = found ? plainOrFraction(found[1]!) : undefined
  if (!found || value === undefined) return refused()
  // A milli and a mega differ by their letter's height alone: those names are taken as they stand.
  const exact = found[2]!.replace(/\s+/g, '')
  const unit = exact.toLowerCase()
  // The unit of the field itself may always stand there.
  const own = view.label.replace(/\s+/g, '')
  if (exact === own || (own.length > 1 && unit === own.toLowerCase()))
    return { ok: true, si: view.toSi(value), along: true }
  const known = along[quantity]?.find(([names]) =>
    names.some((name) => name.replace(/\s+/g, '') === exact || name === unit),
  )
  if (!known) return refused([...new Set([...(view.label === '' ? [] : [view.label]), ...unitsAlong(quantity)])])
  const si = known[1](value)
  return Number.isFinite(si) ? { ok: true, si, along: true } : refused()
}
