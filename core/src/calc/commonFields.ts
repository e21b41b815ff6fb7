import { Refused } from '../units/refused'
import type { NamedProbe, Probe, ProbePart, ResistiveProbe } from '../probes/probe'
import { thermocoupleTypes } from '../probes/probe'
import { probeCurve, type ProbeCurve } from '../probes/probeCurve'
import { signals } from '../signal/signal'
import { InputError } from './checkField'
import { choice, type Field, type Fields, number } from './field'

export const action = choice('Action', ['heating', 'cooling'])
/** A temperature, °C. */
export const temperature = (title: string, options: Parameters<typeof number>[2] = {}) =>
  number(title, 'temperature', options)
/** A width between temperatures, K. */
export const difference = (title: string, options: Parameters<typeof number>[2] = {}) =>
  number(title, 'difference', options)
export const power = number('Power', 'power', { over: 0, symbol: 'P' })
export const loss = number('Heat loss', 'loss', {
  min: 0,
  symbol: 'H',
  hint: 'Watts lost for each kelvin of difference; plant.estimate gives it',
})
export const capacity = number('Heat stored', 'capacity', {
  over: 0,
  symbol: 'C',
  hint: 'What one kelvin takes; plant.estimate gives it',
})
export const swing = difference('Swing', { over: 0, symbol: 'ΔT' })
export const density = number('Density', 'density', { over: 0, default: 998.2, symbol: 'ρ' })
export const specificHeat = number('Specific heat', 'specificHeat', { over: 0, default: 4182, symbol: 'c' })

const ohm = (title: string) => number(title, 'resistance', { over: 0, max: 1e9 })

export const resistiveShapes: Readonly<Record<string, Fields>> = {
  rtd: { r0Ohm: ohm('Resistance at 0 °C') },
  ntc: { r25Ohm: ohm('Resistance at 25 °C'), betaK: number('Beta 25/85', 'count', { over: 0, max: 20000 }) },
  steinhart: {
    a: number('a', 'factor', { min: -1, max: 1 }),
    b: number('b', 'factor', { over: 0, max: 1 }),
    c: number('c', 'factor', { min: -1, max: 1 }),
  },
  'ptc-silicon': { r25Ohm: ohm('Resistance at 25 °C') },
  nickel: {
    r0Ohm: ohm('Resistance at 0 °C'),
    ppmPerK: number('Parts per million a kelvin, 6180 or 5000', 'count', { min: 5000, max: 6180 }),
  },
  table: {
    points: {
      type: 'list',
      title: 'Points',
      of: {
        type: 'tuple',
        title: 'Point',
        items: [temperature('Temperature'), ohm('Resistance')],
      },
      least: 2,
      most: 500,
    },
  },
  named: { name: { type: 'text', title: 'Part', like: 'ntc-10k-3435', from: 'parts' } },
}
const otherShapes: Readonly<Record<string, Fields>> = {
  thermocouple: { type: choice('Type', thermocoupleTypes) },
  linear: {
    signal: choice(
      'Signal',
      signals.filter((each) => each !== 'three-point'),
    ),
    lowC: temperature('At the low end'),
    highC: temperature('At the high end'),
  },
}

const says = {
  rtd: 'Platinum (Pt100, Pt1000 …)',
  ntc: 'Thermistor by its beta',
  steinhart: 'Thermistor by a, b, c',
  'ptc-silicon': 'Silicon PTC',
  nickel: 'Nickel',
  table: 'By its table',
  named: 'A known part',
  thermocouple: 'Thermocouple',
  linear: 'Transmitter',
}

/** A probe whose resistance tells the temperature, by its curve or its name. */
export const resistiveProbe = (title: string): Field => ({ type: 'variant', title, of: resistiveShapes, says })
/** The same, or a transmitter. */
export const readableProbe = (title: string): Field => ({
  type: 'variant',
  title,
  of: { ...resistiveShapes, linear: otherShapes['linear']! },
  says,
})
/** Any probe. */
export const anyProbe = (title: string): Field => ({
  type: 'variant',
  title,
  of: { ...resistiveShapes, ...otherShapes },
  says,
})

export type GivenResistive = ResistiveProbe | NamedProbe
export type GivenProbe = Probe | NamedProbe

/** A probe by name becomes its part's curve. @throws InputError naming the field and the names there are */
export function resolveProbe<P extends Probe>(
  field: string,
  probe: P | NamedProbe,
  parts: readonly ProbePart[],
): P | ResistiveProbe {
  if (probe.kind === 'named') {
    const { name } = probe as NamedProbe
    const part = parts.find((each) => each.name === name)
    if (!part)
      throw new InputError(
        `${field}.name`,
        `is "${name.slice(0, 40)}": one of ${parts.map((each) => each.name).join(', ')}`,
      )
    return part.curve
  }
  if (probe.kind === 'nickel' && ![6180, 5000].includes(probe.ppmPerK))
    throw new InputError(`${field}.ppmPerK`, `is ${probe.ppmPerK}: 6180 or 5000`)
  if (probe.kind === 'linear' && probe.lowC === probe.highC)
    throw new InputError(`${field}.highC`, `is ${probe.highC}: it must differ from lowC`)
  if (probe.kind !== 'thermocouple' && probe.kind !== 'linear') curveOf(field, probe as ResistiveProbe)
  return probe as P
}

/** Fields of a probe that its curve is made from. */
const PARTS: ReadonlySet<string> = new Set(['points', 'r0Ohm', 'r25Ohm', 'betaK', 'b'])

/** Prepares a curve; what is wrong with it is laid at the probe's field. @throws InputError */
export function curveOf(field: string, probe: ResistiveProbe): ProbeCurve {
  try {
    return probeCurve(probe)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    const part = error instanceof Refused && PARTS.has(error.field) ? `${field}.${error.field}` : field
    throw new InputError(part, `: ${error.message}`)
  }
}

/** Refuses a temperature off a curve, with the curve's ends. @throws InputError */
export function requireOnCurve(field: string, celsius: number, [lowC, highC]: readonly [number, number]): void {
  if (celsius < lowC || celsius > highC)
    throw new InputError(
      field,
      `is {${celsius.toFixed(1)} C}: this probe's curve goes from {${lowC.toFixed(0)} C} to {${highC.toFixed(0)} C}`,
    )
}

/** Resistance as a meter reads it, ohm; null where it reads over range. */
export const reading = (title: string, hint?: string): Field =>
  number(title, 'resistance', { min: 0, nullable: true, ...(hint ? { hint } : {}) })

export const probeReasons = choice('Reason', ['open', 'short', 'out-of-range'], {
  says: {
    open: 'open: over ten times the highest of the curve, or a live zero that is gone',
    short: 'short: under a tenth of the lowest of the curve',
    'out-of-range': 'off the range that can be shown',
  },
})
