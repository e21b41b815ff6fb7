import { betaModelErrorAtK, betaModelErrorK } from '../../probes/betaModelError'
import { identifyProbe, type ProbeReadingPoint } from '../../probes/identifyProbe'
import type { LinearProbe, ResistiveProbe } from '../../probes/probe'
import { probeCurve } from '../../probes/probeCurve'
import { readProbe, readTransmitter } from '../../probes/readProbe'
import { type RtdClass, rtdClasses, rtdTolerance } from '../../probes/rtdTolerance'
import { steinhartFit } from '../../probes/steinhartFit'
import { signalSpan } from '../../signal/signal'
import { figure } from '../../words/words'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import {
  curveOf,
  type GivenResistive,
  anyProbe,
  probeReasons,
  readableProbe,
  reading,
  requireOnCurve,
  resistiveProbe,
  resistiveShapes,
  resolveProbe,
  temperature,
  difference,
} from '../commonFields'
import { choice, list, nullable, number, object, optional, text, yes } from '../field'
import { curvePicture } from '../curvePicture'
import type { Spot } from '../picture'

const CURVES =
  'IEC 60751 (platinum), DIN 43760 (nickel), printed curve of silicon probes, beta and Steinhart-Hart models of thermistors, tables of real parts'
const FORMULA =
  'platinum R0 (1 + A t + B t² + C (t − 100) t³ under 0 °C); thermistor R25 e^(β (1/T − 1/298.15)); 1/T = a + b ln R + c (ln R)³; silicon R25 (1 + 7.874e-3 Δ + 1.874e-5 Δ²), Δ = t − 25; a table by a cubic that keeps its direction'
const NTC_CAUTION =
  'The two-parameter model of a thermistor is right near 25 °C. Under {10 C} and over {90 C} the answer says how far real parts are off.'

const modelError = optional(
  difference('Model shows off by', {
    hint: 'How far the two-parameter model is from a real part, shown less true',
  }),
)

export const probeResistance = defineCalculation<{ probe: GivenResistive; temperatureC: number }>({
  id: 'probe.resistance',
  title: 'Resistance of a probe',
  find: 'pt100 pt500 pt1000 ntc 10k ohms at a temperature sensor table thermistor ni1000 silicon ptc rtd resistance box',
  inputs: { probe: resistiveProbe('Probe'), temperatureC: temperature('Temperature', { symbol: 't' }) },
  outputs: { resistanceOhm: number('Resistance', 'resistance'), modelErrorK: modelError },
  formula: FORMULA,
  source: CURVES,
  cautions: [NTC_CAUTION],
  examples: [
    {
      given: { probe: { kind: 'rtd', r0Ohm: 100 }, temperatureC: 100 },
      gives: { resistanceOhm: 138.51 },
      within: 0.0051,
      source: 'IEC 60751 table',
    },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 100 }, temperatureC: -200 },
      gives: { resistanceOhm: 18.52 },
      within: 0.0051,
      source: 'IEC 60751 table',
    },
    {
      given: { probe: { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }, temperatureC: 85 },
      gives: { resistanceOhm: 1451 },
      within: 2,
      source: 'printed value of the common 10 k part of B25/85 = 3435',
    },
    {
      given: { probe: { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }, temperatureC: 0 },
      gives: { modelErrorK: 1.1 },
      within: 0.05,
      source: 'field data model.beta: +1.1 K at 0 °C',
    },
    {
      given: { probe: { kind: 'named', name: 'ntc-10k-3435' }, temperatureC: -20 },
      gives: { resistanceOhm: 67770 },
      within: 1,
      source: 'usual printed table of that part',
    },
    {
      given: { probe: { kind: 'ptc-silicon', r25Ohm: 1000 }, temperatureC: 150 },
      gives: { resistanceOhm: 2211 },
      within: 1,
      source: 'printed typical table of the common 1 k silicon probe',
    },
    {
      given: { probe: { kind: 'nickel', r0Ohm: 1000, ppmPerK: 6180 }, temperatureC: 100 },
      gives: { resistanceOhm: 1617.8 },
      within: 0.1,
      source: 'DIN 43760 table: 161.78 ohm for 100 ohm at 0 °C',
    },
    {
      given: {
        probe: {
          kind: 'table',
          points: [
            [0, 5000],
            [20, 2000],
            [40, 900],
          ],
        },
        temperatureC: 20,
      },
      gives: { resistanceOhm: 2000 },
      source: 'by hand: a point of the table itself',
    },
  ],
  run: ({ probe, temperatureC }, { parts }) => {
    const curve = curveOf('probe', resolveProbe('probe', probe, parts))
    requireOnCurve('temperatureC', temperatureC, [curve.lowC, curve.highC])
    const off = probe.kind === 'ntc' ? betaModelErrorAtK(temperatureC) : null
    return { resistanceOhm: curve.resistance(temperatureC), ...(off === null ? {} : { modelErrorK: off }) }
  },
  picture: ({ probe, temperatureC }, { resistanceOhm }, { parts }) =>
    curvePicture(curveOf('probe', resolveProbe('probe', probe, parts)), [
      { title: 'Here', at: [temperatureC, resistanceOhm as number] },
    ]),
})

export const probeTemperature = defineCalculation<{
  probe: GivenResistive | LinearProbe
  resistanceOhm?: number | null
  value?: number | null
}>({
  id: 'probe.temperature',
  title: 'Temperature of a probe',
  find: 'pt100 pt1000 ntc 10k what temperature is this resistance ohms meter 4-20 0-10 transmitter open short broken',
  inputs: {
    probe: readableProbe('Probe'),
    resistanceOhm: optional({
      ...reading('Resistance', '"out" is the over-range of the meter'),
      when: { input: 'probe', is: Object.keys(resistiveShapes) },
    }),
    value: optional(
      number('Signal, V or mA', 'factor', {
        nullable: true,
        hint: 'Only for a transmitter, in place of the resistance',
        when: { input: 'probe', is: ['linear'] },
      }),
    ),
  },
  outputs: {
    temperatureC: nullable(temperature('Temperature')),
    reason: optional(probeReasons),
    modelErrorK: modelError,
  },
  formula:
    'the curve read backwards; over 10 × its highest: open; under a tenth of its lowest: short; a transmitter runs straight from its low to its high end',
  source: CURVES,
  cautions: [NTC_CAUTION],
  examples: [
    {
      given: { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: 1077.935 },
      gives: { temperatureC: 20 },
      within: 0.0015,
      source: 'IEC 60751 table: 107.79 ohm for Pt100',
    },
    {
      given: { probe: { kind: 'steinhart', a: 1.129148e-3, b: 2.34125e-4, c: 8.76741e-8 }, resistanceOhm: 3603 },
      gives: { temperatureC: 50 },
      within: 0.02,
      source: 'printed coefficients and values of the common 10 k part',
    },
    {
      given: { probe: { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }, resistanceOhm: 67770 },
      gives: { temperatureC: -17.47, modelErrorK: 2.53 },
      within: 0.01,
      source: 'by hand: 1/(1/298.15 + ln 6.777/3435) − 273.15; the part is at −20 °C by its table',
    },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: null },
      gives: { temperatureC: null, reason: 'open' },
      source: 'definition: over-range of the meter',
    },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: 0 },
      gives: { temperatureC: null, reason: 'short' },
      source: 'definition: under a tenth of the lowest',
    },
    {
      given: { probe: { kind: 'linear', signal: '4-20mA', lowC: -50, highC: 150 }, value: 12 },
      gives: { temperatureC: 50 },
      source: 'by hand: half of the span',
    },
  ],
  run: ({ probe, resistanceOhm, value }, { parts }) => {
    const resolved = resolveProbe('probe', probe, parts)
    const linear = resolved.kind === 'linear'
    const [wanted, other, given, extra] = linear
      ? (['value', 'resistanceOhm', value, resistanceOhm] as const)
      : (['resistanceOhm', 'value', resistanceOhm, value] as const)
    if (given === undefined)
      throw new InputError(
        wanted,
        `is missing: ${linear ? 'a transmitter gives a signal' : 'this probe gives a resistance'}, a number of 0 or more, or null`,
      )
    if (extra !== undefined)
      throw new InputError(
        other,
        `is one too many: ${linear ? 'a transmitter takes value' : 'this probe takes resistanceOhm'}`,
      )
    const read = linear ? readTransmitter(resolved, given) : readProbe(resolved, given)
    if (!read.ok) return { temperatureC: null, reason: read.reason }
    const off = probe.kind === 'ntc' ? betaModelErrorK(read.temperatureC) : null
    return { temperatureC: read.temperatureC, ...(off === null ? {} : { modelErrorK: off }) }
  },
  picture: ({ probe, resistanceOhm, value }, { temperatureC }, { parts }) => {
    const resolved = resolveProbe('probe', probe, parts)
    const spots = (y: number | null | undefined): { title: string; at: Spot }[] =>
      typeof temperatureC === 'number' && typeof y === 'number' ? [{ title: 'Here', at: [temperatureC, y] }] : []
    if (resolved.kind !== 'linear') return curvePicture(curveOf('probe', resolved), spots(resistanceOhm))
    const span = signalSpan(resolved.signal)
    return {
      kind: 'lines',
      x: { title: 'Temperature', quantity: 'temperature' },
      y: { title: 'Signal', quantity: 'factor', unit: span.unit },
      lines: [
        {
          title: 'Transmitter',
          look: 'main',
          points: [
            [resolved.lowC, span.at0],
            [resolved.highC, span.at100],
          ],
        },
      ],
      spots: spots(value),
    }
  },
})

export const probeFit = defineCalculation<{ points: ProbeReadingPoint[] }>({
  id: 'probe.fit',
  title: 'Fit a thermistor through three points',
  find: 'steinhart hart coefficients a b c ntc curve from three readings',
  inputs: {
    points: list(
      'Points',
      object('Point', {
        temperatureC: temperature('Temperature', { max: 500 }),
        resistanceOhm: number('Resistance', 'resistance', { over: 0 }),
      }),
      { least: 3, most: 3 },
    ),
  },
  outputs: {
    a: number('a', 'factor'),
    b: number('b', 'factor'),
    c: number('c', 'factor'),
    betaK: number('Beta over the outer two', 'count'),
  },
  formula: '1/T = a + b ln R + c (ln R)³ through three points, T in kelvin',
  source: 'Steinhart and Hart (1968)',
  cautions: ['Good between the points and a little beyond; far outside it is a guess.'],
  examples: [
    {
      given: {
        points: [
          { temperatureC: 0, resistanceOhm: 32650 },
          { temperatureC: 25, resistanceOhm: 10000 },
          { temperatureC: 50, resistanceOhm: 3603 },
        ],
      },
      gives: { a: 1.129148e-3, b: 2.34125e-4, c: 8.76741e-8 },
      within: { a: 5e-6, b: 8e-7, c: 3e-9 },
      source:
        'printed coefficients of the common 10 k part, 1.129148e-3, 2.34125e-4, 8.76741e-8, to the rounding of its table',
    },
    {
      given: {
        points: [
          { temperatureC: 0, resistanceOhm: 33620.6 },
          { temperatureC: 25, resistanceOhm: 10000 },
          { temperatureC: 50, resistanceOhm: 3588.18 },
        ],
      },
      gives: { b: 1 / 3950, c: 0, betaK: 3950 },
      within: { b: 2e-9, c: 1e-11, betaK: 0.02 },
      source: 'by hand: pure beta 3950, e^(3950 (1/T − 1/298.15)); b is then 1/3950 and c nothing',
    },
    {
      given: {
        points: [
          { temperatureC: 0, resistanceOhm: 29490 },
          { temperatureC: 25, resistanceOhm: 10000 },
          { temperatureC: 50, resistanceOhm: 3893 },
        ],
      },
      gives: { a: 1.0295e-3, b: 2.391e-4, c: 1.568e-7 },
      within: { a: 1e-5, b: 1.5e-6, c: 4e-9 },
      source: 'printed coefficients of the other common 10 k part, to the rounding of its table',
    },
  ],
  run: ({ points }) => {
    const sorted = [...points].sort((p, q) => p.temperatureC - q.temperatureC)
    const fit = steinhartFit(points)
    const [cold, , hot] = sorted
    const kelvin = (celsius: number) => celsius + 273.15
    const betaK =
      Math.log(cold!.resistanceOhm / hot!.resistanceOhm) /
      (1 / kelvin(cold!.temperatureC) - 1 / kelvin(hot!.temperatureC))
    return { ...fit, betaK }
  },
  picture: ({ points }, { a, b, c }) => {
    if (!((b as number) > 0)) return null
    try {
      const curve = probeCurve({ kind: 'steinhart', a: a as number, b: b as number, c: c as number })
      return curvePicture(
        curve,
        points.map((point, i) => ({ title: `Point ${i + 1}`, at: [point.temperatureC, point.resistanceOhm] })),
      )
    } catch {
      return null
    }
  },
})

export const probeTolerance = defineCalculation<{
  probe: ResistiveProbe & { kind: 'rtd' }
  class: RtdClass
  temperatureC: number
}>({
  id: 'probe.tolerance',
  title: 'What a platinum probe may be off',
  find: 'class a class b pt100 accuracy tolerance error limit rtd',
  inputs: {
    probe: {
      type: 'variant',
      title: 'Probe',
      of: { rtd: { r0Ohm: number('Resistance at 0 °C', 'resistance', { over: 0, max: 1e9 }) } },
    },
    class: choice('Class', rtdClasses),
    temperatureC: temperature('Temperature', { symbol: 't' }),
  },
  outputs: {
    toleranceK: difference('Tolerance, either way'),
    toleranceOhm: number('In ohms, either way', 'resistance'),
    lowOhm: number('Lowest', 'resistance'),
    highOhm: number('Highest', 'resistance'),
    promised: yes('The class holds at this temperature', { tones: { yes: 'fits', no: 'look' } }),
  },
  formula: 'class A ±(0.15 + 0.002 |t|) K; class B ±(0.30 + 0.005 |t|) K',
  source:
    'IEC 60751; the class is promised to wire-wound resistors from {-100 C} to {450 C} (A) and {-196 C} to {600 C} (B), to films for less',
  examples: [
    {
      given: { probe: { kind: 'rtd', r0Ohm: 100 }, class: 'A', temperatureC: 0 },
      gives: { toleranceK: 0.15, toleranceOhm: 0.06 },
      within: 0.005,
      source: 'IEC 60751 table of tolerances',
    },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 100 }, class: 'B', temperatureC: 100 },
      gives: { toleranceK: 0.8, toleranceOhm: 0.3 },
      within: 0.005,
      source: 'IEC 60751 table of tolerances',
    },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 100 }, class: 'B', temperatureC: 200 },
      gives: { toleranceK: 1.3, toleranceOhm: 0.48 },
      within: 0.005,
      source: 'IEC 60751 table of tolerances',
    },
  ],
  run: ({ probe, class: rtdClass, temperatureC }) => rtdTolerance(probe.r0Ohm, rtdClass, temperatureC),
})

export const probeIdentify = defineCalculation<{ readings: ProbeReadingPoint[] }>({
  id: 'probe.identify',
  title: 'What probe is this?',
  find: 'unknown sensor identify which probe no label resistance kind pt1000 ntc 10k or ni1000',
  inputs: {
    readings: list(
      'Readings',
      object('Reading', {
        temperatureC: temperature('Temperature', { min: -60, max: 300 }),
        resistanceOhm: number('Resistance', 'resistance', { over: 0 }),
      }),
      {
        least: 1,
        most: 20,
        hint: 'Both leads lifted, the probe beside a thermometer. Two temperatures tell more than one.',
      },
    ),
  },
  outputs: {
    candidates: list(
      'Candidates, best first',
      object('Candidate', {
        name: text('Name'),
        probe: anyProbe('Probe'),
        worstErrorK: difference('Worst error'),
        fits: yes('Fits', { tones: { yes: 'fits', no: 'stop' } }),
      }),
    ),
    verdict: choice('Verdict', ['one', 'several', 'none'], {
      tones: { one: 'fits', several: 'look', none: 'stop' },
      says: {
        one: 'one kind fits',
        several: 'several kinds fit: take a second reading',
        none: 'nothing common fits: a broken probe, a wrong reading, or a kind that is not known here',
      },
    }),
    second: {
      type: 'object',
      title: 'A second reading that tells them apart',
      nullable: true,
      fields: {
        temperatureC: temperature('Take it at'),
        expected: list(
          'Each would give',
          object('Expected', { name: text('Name'), resistanceOhm: number('Resistance', 'resistance') }),
        ),
      },
    },
    advice: text('What to do', { longest: 2000 }),
  },
  formula: 'every common curve is read backwards at each resistance; the worst error over all readings ranks it',
  source: `${CURVES}; fits within {1.5 K}: meter, thermometer and a 1 % part together`,
  examples: [
    {
      given: { readings: [{ temperatureC: 20, resistanceOhm: 1077.9 }] },
      gives: { 'candidates.0.name': 'Pt1000' },
      source: 'IEC 60751 table: 107.79 ohm for Pt100',
    },
    {
      given: {
        readings: [
          { temperatureC: 0, resistanceOhm: 27280 },
          { temperatureC: 50, resistanceOhm: 4160 },
        ],
      },
      gives: { 'candidates.0.name': 'NTC 10k, B 3435' },
      source: 'usual printed table of that part',
    },
    {
      given: { readings: [{ temperatureC: 25, resistanceOhm: 10000 }] },
      gives: { verdict: 'several' },
      source: 'by hand: every 10 k thermistor gives 10 kohm at 25 °C',
    },
    {
      given: {
        readings: [
          { temperatureC: 20, resistanceOhm: 1112 },
          { temperatureC: 60, resistanceOhm: 1353 },
        ],
      },
      gives: { 'candidates.0.name': 'Nickel 1000, 6180 ppm/K' },
      source: 'DIN 43760: 1000 (1 + 5.485e-3 t + 6.65e-6 t²) = 1112.4 at 20, 1353.4 at 60 °C',
    },
  ],
  run: ({ readings }, { parts }) => {
    const identity = identifyProbe(readings, parts)
    const [best] = identity.candidates
    const advice =
      identity.verdict === 'several'
        ? `${identity.second!.expected.map(({ name }) => name).join(' or ')}: measure once more at about ${figure(identity.second!.temperatureC, 'C', 0)}.`
        : identity.verdict === 'one'
          ? `${best!.name}, within ${figure(best!.worstErrorK, 'K')}.`
          : best
            ? `Nothing fits; nearest is ${best.name}, ${figure(best.worstErrorK, 'K')} off. Check the reading, both leads lifted.`
            : 'No common probe gives these ohms. Check the reading, both leads lifted.'
    return { ...identity, advice }
  },
})
