import { Refused } from './refused'
import { convert, type UnitSymbol } from './convert'

/** What the user chose for a job; the store is SI whatever it says. */
export interface UnitPreferences {
  readonly temperatureUnit: 'C' | 'F'
  readonly system: 'metric' | 'us'
}

export const quantities = [
  'temperature',
  'difference',
  'power',
  'electricPower',
  'loss',
  'capacity',
  'area',
  'length',
  'thickness',
  'section',
  'resistance',
  'insulation',
  'current',
  'voltage',
  'apparentPower',
  'seconds',
  'hours',
  'clock',
  'years',
  'perHour',
  'percent',
  'energy',
  'conductance',
  'fluxDensity',
  'volume',
  'litres',
  'massFlow',
  'speed',
  'density',
  'specificHeat',
  'pressure',
  'humidityRatio',
  'millivolts',
  'milliamps',
  'frequency',
  'minutes',
  'milliseconds',
  'ampereHours',
  'ampereSeconds',
  'gain',
  'controllerGain',
  'count',
  'factor',
  'airFlow',
  'mass',
  'waterFlow',
  'gallonsPerMinute',
  'kilopascals',
  'gasVolume',
  'calorific',
  'breath',
  'ppm',
] as const
export type Quantity = (typeof quantities)[number]

/** How one quantity is shown and typed: its unit there, and the decimals that make sense. */
interface QuantityView {
  readonly label: string
  readonly decimals: number
  readonly toShown: (si: number) => number
  readonly toSi: (shown: number) => number
}

const same = (label: string, decimals: number): QuantityView => ({
  label,
  decimals,
  toShown: (v) => v,
  toSi: (v) => v,
})

const via = (label: string, decimals: number, si: UnitSymbol, shown: UnitSymbol, difference = false): QuantityView => ({
  label,
  decimals,
  toShown: (v) => convert(v, si, shown, difference),
  toSi: (v) => convert(v, shown, si, difference),
})

const scaled = (label: string, decimals: number, siPerShown: number): QuantityView => ({
  label,
  decimals,
  toShown: (v) => v / siPerShown,
  toSi: (v) => v * siPerShown,
})

const fixed: Partial<Record<Quantity, QuantityView>> = {
  electricPower: same('W', 0),
  resistance: same('ohm', 1),
  insulation: scaled('Mohm', 1, 1e6),
  current: same('A', 2),
  voltage: same('V', 1),
  apparentPower: same('VA', 1),
  seconds: same('s', 0),
  hours: same('h', 1),
  clock: same('h', 2),
  years: same('years', 1),
  perHour: same('an hour', 2),
  percent: same('%', 0),
  energy: same('kWh', 1),
  millivolts: same('mV', 3),
  milliamps: same('mA', 2),
  frequency: same('Hz', 1),
  minutes: same('min', 0),
  milliseconds: same('ms', 0),
  ampereHours: same('Ah', 0),
  ampereSeconds: same('As', 0),
  humidityRatio: scaled('g/kg', 2, 1e-3),
  count: same('', 0),
  factor: same('', 2),
  section: same('mm²', 2),
  gallonsPerMinute: same('gpm', 2),
  ppm: same('ppm', 0),
}

const POUND_KG = 0.45359237
const FOOT_M = 0.3048
const US_FLUX = convert(1, 'Btu/h', 'W') / convert(1, 'ft2', 'm2')

const regional: Record<'metric' | 'us', Partial<Record<Quantity, QuantityView>>> = {
  metric: {
    power: same('W', 0),
    loss: same('W/K', 1),
    capacity: scaled('kJ/K', 0, 1000),
    area: same('m²', 1),
    length: same('m', 1),
    thickness: scaled('mm', 0, 1e-3),
    conductance: same('W/m²K', 2),
    fluxDensity: same('W/m²', 1),
    volume: same('m³', 2),
    litres: same('L', 1),
    massFlow: same('kg/h', 2),
    speed: same('m/s', 1),
    density: same('kg/m³', 0),
    specificHeat: same('J/kgK', 0),
    pressure: same('Pa', 1),
    airFlow: same('m³/h', 0),
    mass: same('kg', 0),
    waterFlow: same('m³/h', 2),
    kilopascals: same('kPa', 1),
    gasVolume: same('m³', 3),
    calorific: same('MJ/m³', 1),
    breath: same('L/h', 1),
  },
  us: {
    power: via('Btu/h', 0, 'W', 'Btu/h'),
    loss: via('Btu/h°F', 1, 'W/K', 'Btu/h°F'),
    capacity: via('Btu/°F', 0, 'J/K', 'Btu/°F'),
    area: via('ft²', 0, 'm2', 'ft2'),
    length: via('ft', 1, 'm', 'ft'),
    thickness: via('in', 2, 'm', 'in'),
    conductance: scaled('Btu/h ft²°F', 2, US_FLUX * 1.8),
    fluxDensity: scaled('Btu/h ft²', 1, US_FLUX),
    volume: via('gal', 0, 'm3', 'gal'),
    litres: via('gal', 1, 'L', 'gal'),
    massFlow: scaled('lb/h', 2, POUND_KG),
    speed: scaled('ft/min', 0, FOOT_M / 60),
    density: scaled('lb/ft³', 2, POUND_KG / FOOT_M ** 3),
    specificHeat: scaled('Btu/lb°F', 3, (convert(1, 'Btu/h', 'W') * 3600 * 1.8) / POUND_KG),
    pressure: via('psi', 4, 'Pa', 'psi'),
    airFlow: scaled('cfm', 0, FOOT_M ** 3 * 60),
    mass: scaled('lb', 0, POUND_KG),
    waterFlow: via('gpm', 2, 'm3/h', 'gpm'),
    kilopascals: via('psi', 2, 'kPa', 'psi'),
    gasVolume: scaled('ft³', 2, FOOT_M ** 3),
    calorific: scaled('Btu/ft³', 0, (convert(1, 'Btu/h', 'W') * 3600) / 1e6 / FOOT_M ** 3),
    breath: scaled('ft³/h', 2, FOOT_M ** 3 * 1000),
  },
}

const temperatures: Record<'C' | 'F', Partial<Record<Quantity, QuantityView>>> = {
  C: {
    temperature: same('°C', 1),
    difference: same('K', 1),
    gain: same('K a %', 3),
    controllerGain: same('% a K', 2),
  },
  F: {
    temperature: via('°F', 1, 'C', 'F'),
    difference: via('°F', 1, 'K', 'F', true),
    gain: via('°F a %', 3, 'K', 'F', true),
    controllerGain: scaled('% a °F', 2, 1.8),
  },
}

/** How a quantity is shown to this user. A difference in °F is five ninths of a kelvin a degree and has no offset. */
export function quantityView(quantity: Quantity, preferences: UnitPreferences): QuantityView {
  const view =
    temperatures[preferences.temperatureUnit][quantity] ?? regional[preferences.system][quantity] ?? fixed[quantity]
  if (!view) throw new Refused('quantity', { must: 'other', says: `${quantity} has no view` })
  return view
}

/** Every unit that a reading can carry: the labels of all quantities in all systems, and none for what is no number. */
export const unitLabels: readonly string[] = [
  ...new Set([
    '',
    ...(['C', 'F'] as const).flatMap((temperatureUnit) =>
      (['metric', 'us'] as const).flatMap((system) =>
        quantities.map((quantity) => quantityView(quantity, { temperatureUnit, system }).label),
      ),
    ),
  ]),
]

/** The same number with a true minus sign. */
export const trueMinus = (text: string) => text.replace(/^-/, '\u2212')

/** A number that is in the user's unit already, rounded for reading; −0.0 is never shown. */
export function shownText(shown: number, decimals = 1): string {
  const text = shown.toFixed(decimals)
  return trueMinus(Number(text) === 0 ? text.replace('-', '') : text)
}

/** The number alone, in the user's unit, rounded for reading. */
export function formatValue(si: number, quantity: Quantity, preferences: UnitPreferences, decimals?: number): string {
  const view = quantityView(quantity, preferences)
  return shownText(view.toShown(si), decimals ?? view.decimals)
}

/**
 * Number and unit, joined by a no-break space.
 * @example formatQuantity(2.7778, 'difference', { temperatureUnit: 'F', system: 'us' }) // "5.0 °F"
 */
export function formatQuantity(
  si: number,
  quantity: Quantity,
  preferences: UnitPreferences,
  decimals?: number,
): string {
  const { label } = quantityView(quantity, preferences)
  const value = formatValue(si, quantity, preferences, decimals)
  return label === '' ? value : `${value}\u00a0${label}`
}
