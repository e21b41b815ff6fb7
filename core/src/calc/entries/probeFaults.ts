import { calibrateProbe, calibrationVerdicts } from '../../probes/calibrateProbe'
import { faultyProbe } from '../../probes/faultyProbe'
import { mismatch, probeRange } from '../../probes/mismatch'
import type { ResistiveProbe } from '../../probes/probe'
import { probeCurve } from '../../probes/probeCurve'
import { figure } from '../../words/words'
import { type Construction, constructions, coreOhm } from '../../wiring/wireResistance'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import {
  anyProbe,
  curveOf,
  difference,
  type GivenProbe,
  type GivenResistive,
  probeReasons,
  requireOnCurve,
  resistiveProbe,
  resolveProbe,
  temperature,
} from '../commonFields'
import { choice, list, nullable, number, object, optional, text, yes } from '../field'
import { evenly, type LinesPicture, type Spot } from '../picture'

const pt100 = { kind: 'rtd', r0Ohm: 100 } as const
const pt1000 = { kind: 'rtd', r0Ohm: 1000 } as const
const ntc10k = { kind: 'ntc', r25Ohm: 10000, betaK: 3435 } as const

const shownC = nullable(temperature('The display shows'))
const errorK = nullable(difference('Off by', { hint: 'Shown less true' }))
const errs = choice('It errs', ['hot', 'cold', 'none'], { says: { hot: 'hot', cold: 'cold', none: 'not at all' } })

export const probeLeadError = defineCalculation<{
  probe: GivenResistive
  temperatureC: number
  lengthM: number
  areaMm2: number
  conductorC?: number
  construction?: Construction
}>({
  id: 'probe.leadError',
  title: 'Error of a two-wire lead',
  find: 'long cable sensor wire resistance pt100 two wire length error reads high',
  inputs: {
    probe: resistiveProbe('Probe'),
    temperatureC: temperature('True temperature'),
    lengthM: number('Length, one way', 'length', { min: 0, max: 100_000 }),
    areaMm2: number('Section', 'section', { over: 0, max: 1000 }),
    conductorC: optional(temperature('Conductor', { min: -100, max: 250, default: 20 })),
    construction: optional(choice('Conductor kind', constructions, { default: 'pure' })),
  },
  outputs: {
    errorK,
    shownC,
    leadOhm: number('Leads, out and back', 'resistance'),
    reason: optional(probeReasons),
  },
  formula: 'leads = 2 ρ L/A; shown = curve read backwards at probe + leads; error = shown − true',
  source: 'copper 17.241 nΩm at 20 °C (IEC 60028), 0.00393/K; classes by IEC 60228',
  cautions: [
    'Three or four wires, a transmitter at the probe, or a probe of more ohms cure it; an offset only hides it.',
  ],
  examples: [
    {
      given: { probe: pt100, temperatureC: 0, lengthM: 10, areaMm2: 0.5 },
      gives: { leadOhm: 0.68964, errorK: 1.766 },
      within: { leadOhm: 1e-5, errorK: 0.003 },
      source: 'by hand: 2 × 0.017241 × 10/0.5; over 0.3905 ohm a K between 0 and 10 °C (IEC 60751 table)',
    },
    {
      given: { probe: pt1000, temperatureC: 20, lengthM: 30, areaMm2: 0.75, construction: 'class5' },
      gives: { leadOhm: 1.56, errorK: 0.402 },
      within: { leadOhm: 1e-9, errorK: 0.003 },
      source: 'IEC 60228: 26.0 mohm/m × 60 m; over 3.88 ohm a K (IEC 60751 table)',
    },
    {
      given: { probe: ntc10k, temperatureC: 25, lengthM: 50, areaMm2: 0.5 },
      gives: { leadOhm: 3.4482, errorK: -0.00892 },
      within: { leadOhm: 1e-5, errorK: 0.0001 },
      source: 'by hand: −3.4482 T²/(β R) = −3.4482 × 298.15²/(3435 × 10000)',
    },
  ],
  run: ({ probe, temperatureC, lengthM, areaMm2, conductorC, construction }, { parts }) => {
    const resolved = resolveProbe('probe', probe, parts)
    const { lowC, highC } = curveOf('probe', resolved)
    requireOnCurve('temperatureC', temperatureC, [lowC, highC])
    const leadOhm = 2 * coreOhm(lengthM, areaMm2, conductorC, construction)
    const { shownC: shown, errorK: off, reason } = faultyProbe(resolved, temperatureC, { seriesOhm: leadOhm })
    return { leadOhm, shownC: shown, errorK: off, ...(reason ? { reason } : {}) }
  },
  picture: ({ probe, temperatureC, lengthM, areaMm2, conductorC, construction }, { errorK: off }, { parts }) => {
    const resolved = resolveProbe('probe', probe, parts)
    if (typeof off !== 'number' || lengthM === 0) return null
    const at = (metres: number) =>
      faultyProbe(resolved, temperatureC, { seriesOhm: 2 * coreOhm(metres, areaMm2, conductorC, construction) }).errorK
    return {
      kind: 'lines',
      x: { title: 'Length, one way', quantity: 'length' },
      y: { title: 'Off by', quantity: 'difference' },
      lines: [
        {
          title: 'Error',
          look: 'main',
          points: evenly(0, lengthM * 2, 41).flatMap((m): Spot[] => {
            const error = at(m)
            return error === null ? [] : [[m, error]]
          }),
        },
      ],
      spots: [{ title: 'Here', at: [lengthM, off] }],
    }
  },
})

export const probeMismatch = defineCalculation<{
  fitted: GivenProbe
  expected: GivenProbe
  temperatureC: number
  rangeC: [number, number]
  coldJunctionC?: number
  reversed?: boolean
}>({
  id: 'probe.mismatch',
  title: 'The wrong probe on an input',
  find: 'wrong sensor kind display shows nonsense pt1000 on ntc input thermocouple reversed polarity other type',
  inputs: {
    fitted: anyProbe('Probe that is fitted'),
    expected: anyProbe('Probe that the input is made for'),
    temperatureC: temperature('True temperature'),
    rangeC: { type: 'tuple', title: 'Range of the display', items: [temperature('From'), temperature('To')] },
    coldJunctionC: optional(
      temperature('Terminals', { min: -200, max: 400, default: 25, hint: 'Only for a thermocouple' }),
    ),
    reversed: optional(yes('Thermocouple wires swapped', { default: false })),
  },
  outputs: {
    shownC,
    errorK,
    reason: optional(probeReasons),
    resistanceOhm: optional(number('The probe gives', 'resistance')),
    emfMv: optional(number('The probe gives', 'millivolts')),
    value: optional(number('The probe gives', 'factor')),
  },
  formula:
    'shown = curve of the expected probe read backwards at what the fitted one gives; a thermocouple by emf: E(fitted, hot) − E(fitted, terminals) + E(expected, terminals)',
  source: 'curves as in probe.resistance, ITS-90 for thermocouples',
  cautions: ['A control that believes a wrong probe heats or cools without end: change the probe, never the offset.'],
  examples: [
    {
      given: { fitted: pt1000, expected: ntc10k, temperatureC: 20, rangeC: [-40, 110] },
      gives: { shownC: 96.463, resistanceOhm: 1077.935 },
      source: 'by hand: 1/(1/298.15 + ln(0.1077935)/3435) − 273.15',
    },
    {
      given: { fitted: ntc10k, expected: pt1000, temperatureC: 20, rangeC: [-50, 150] },
      gives: { shownC: null, reason: 'out-of-range' },
      source: 'by hand: about 12 kohm, over the 3905 ohm of 850 °C and under ten times that',
    },
    {
      given: {
        fitted: { kind: 'thermocouple', type: 'J' },
        expected: { kind: 'thermocouple', type: 'K' },
        temperatureC: 200,
        rangeC: [0, 600],
        coldJunctionC: 25,
      },
      gives: { emfMv: 9.502, shownC: 258.6 },
      within: { emfMv: 0.002, shownC: 0.3 },
      source:
        'by hand from ITS-90 tables: 10.779 − 1.277 = 9.502; + 1.000 = 10.502 mV lies 0.349/2.056 between 250 and 300 °C of type K',
    },
    {
      given: {
        fitted: { kind: 'thermocouple', type: 'K' },
        expected: { kind: 'thermocouple', type: 'K' },
        temperatureC: 50,
        rangeC: [-50, 400],
        coldJunctionC: 25,
        reversed: true,
      },
      gives: { shownC: -0.6 },
      within: 0.2,
      source: 'by hand from the ITS-90 table: −(2.023 − 1.000) + 1.000 = −0.023 mV, which is −0.6 °C',
    },
    {
      given: {
        fitted: { kind: 'linear', signal: '0-20mA', lowC: 0, highC: 100 },
        expected: { kind: 'linear', signal: '4-20mA', lowC: 0, highC: 100 },
        temperatureC: 60,
        rangeC: [-50, 150],
      },
      gives: { shownC: 50 },
      source: 'by hand: 12 mA is half of 4–20',
    },
  ],
  run: ({ fitted, expected, temperatureC, rangeC, coldJunctionC, reversed }, { parts }) => {
    const one = resolveProbe('fitted', fitted, parts)
    const other = resolveProbe('expected', expected, parts)
    requireOnCurve('temperatureC', temperatureC, probeRange(one))
    if (rangeC[0] >= rangeC[1])
      throw new InputError('rangeC[1]', `is ${figure(rangeC[1], 'C')}: it must be over ${figure(rangeC[0], 'C')}`)
    return mismatch(one, other, temperatureC, rangeC, { coldJunctionC, reversed })
  },
  picture: ({ fitted, expected, temperatureC, rangeC, coldJunctionC, reversed }, { shownC: shown }, { parts }) => {
    const one = resolveProbe('fitted', fitted, parts)
    const other = resolveProbe('expected', expected, parts)
    const [low, high] = probeRange(one)
    const [from, to] = [Math.max(low, rangeC[0]), Math.min(high, rangeC[1])]
    if (!(from < to)) return null
    const points = evenly(from, to, 61).flatMap((t): Spot[] => {
      const read = mismatch(one, other, t, rangeC, { coldJunctionC, reversed }).shownC
      return read === null ? [] : [[t, read]]
    })
    return {
      kind: 'lines',
      x: { title: 'True', quantity: 'temperature' },
      y: { title: 'Shown', quantity: 'temperature' },
      lines: [
        { title: 'Shown', look: 'main', points },
        {
          title: 'Right',
          look: 'other',
          points: [
            [from, from],
            [to, to],
          ],
        },
      ],
      spots: typeof shown === 'number' ? [{ title: 'Here', at: [temperatureC, shown] }] : [],
    }
  },
})

export const probeFault = defineCalculation<{
  probe: GivenResistive
  temperatureC: number
  seriesOhm?: number
  parallelOhm?: number
}>({
  id: 'probe.fault',
  title: 'A bad connection or damp in the probe cable',
  find: 'corroded connection moisture water in cable parallel series resistance reads wrong',
  inputs: {
    probe: resistiveProbe('Probe'),
    temperatureC: temperature('True temperature'),
    seriesOhm: optional(number('Bad connection, in series', 'resistance', { min: 0, default: 0 })),
    parallelOhm: optional(number('Damp, across the wires', 'resistance', { over: 0 })),
  },
  outputs: {
    errorK,
    shownC,
    errs,
    reason: optional(probeReasons),
    probeOhm: number('Probe alone', 'resistance'),
    seenOhm: number('The input sees', 'resistance'),
  },
  formula: 'seen = (probe ∥ parallel) + series; shown = curve read backwards; error = shown − true',
  source: 'two resistances; curves as in probe.resistance',
  cautions: [
    'An NTC reads cold through a bad connection and hot through damp; platinum, nickel and silicon the other way.',
  ],
  examples: [
    {
      given: { probe: ntc10k, temperatureC: 25, seriesOhm: 500 },
      gives: { errorK: -1.26, errs: 'cold' },
      within: 0.01,
      source: 'by hand: 1/(1/298.15 + ln 1.05/3435) − 298.15; field data joint.500: −1.3 K',
    },
    {
      given: { probe: { kind: 'named', name: 'ntc-10k-3435' }, temperatureC: 0, parallelOhm: 100_000 },
      gives: { errorK: 5.5, errs: 'hot' },
      within: 0.3,
      source:
        'by hand: 27280 ∥ 100000 = 21433 ohm, between 22050 at 5 and 17960 at 10 °C by the printed table; field data damp.100k: +5.4 K',
    },
    {
      given: { probe: pt1000, temperatureC: 0, seriesOhm: 39.03 },
      gives: { errorK: 10, errs: 'hot' },
      within: 0.01,
      source: 'IEC 60751 table: 103.90 ohm at 10 °C for Pt100',
    },
  ],
  run: ({ probe, temperatureC, seriesOhm, parallelOhm }, { parts }) => {
    const resolved = resolveProbe('probe', probe, parts)
    const { lowC, highC } = curveOf('probe', resolved)
    requireOnCurve('temperatureC', temperatureC, [lowC, highC])
    return faultyProbe(resolved, temperatureC, { seriesOhm, parallelOhm })
  },
  picture: ({ probe, temperatureC }, { seenOhm, shownC: shown }, { parts }): LinesPicture | null => {
    const curve = probeCurve(resolveProbe('probe', probe, parts) as ResistiveProbe)
    if (typeof shown !== 'number') return null
    const low = Math.max(curve.lowC, Math.min(-20, shown - 10, temperatureC - 10))
    const high = Math.min(curve.highC, Math.max(80, shown + 10, temperatureC + 10))
    return {
      kind: 'lines',
      x: { title: 'Temperature', quantity: 'temperature' },
      y: { title: 'Resistance', quantity: 'resistance' },
      lines: [
        { title: 'Curve', look: 'main', points: evenly(low, high, 81).map((t): Spot => [t, curve.resistance(t)]) },
      ],
      spots: [
        { title: 'True', at: [temperatureC, curve.resistance(temperatureC)] },
        { title: 'Shown', at: [shown, seenOhm as number] },
      ],
    }
  },
})

export const probeCalibrate = defineCalculation<{
  pairs: { referenceC: number; shownC: number }[]
  toleranceK: number
  offsetLimitK: number
  presentOffsetK?: number
}>({
  id: 'probe.calibrate',
  title: 'Offset, or not an offset',
  find: 'calibration reference thermometer offset correction ice point reads wrong',
  inputs: {
    pairs: list(
      'Readings',
      object('Pair', { referenceC: temperature('Reference thermometer'), shownC: temperature('Display shows') }),
      { least: 1, most: 50 },
    ),
    toleranceK: difference('Tolerance', { min: 0, hint: 'Within this it is left alone' }),
    offsetLimitK: difference('Largest offset', {
      min: 0,
      hint: 'Beyond it look for the cause; field data tol.offset.limit: 2 K',
    }),
    presentOffsetK: optional(difference('Offset keyed now', { default: 0 })),
  },
  outputs: {
    offsetK: difference('Offset to key in'),
    verdict: choice('Verdict', calibrationVerdicts, {
      tones: { leave: 'fits', offset: 'look', 'not-an-offset': 'stop', 'beyond-limit': 'stop' },
      says: {
        leave: 'leave it',
        'not-an-offset': 'not an offset: the error changes with the temperature',
        'beyond-limit': 'beyond the limit: find the cause first',
        offset: 'key in the offset',
      },
    }),
    next: text('What to do', { longest: 2000 }),
    residualK: difference('Left over'),
    slope: number('Slope of the error', 'factor', { hint: 'Kelvin a kelvin of reference' }),
  },
  formula:
    'offset = present + mean (reference − shown); left over = largest distance from that mean; slope by least squares over the reference',
  source: 'judged in this order: leave, not an offset, beyond the limit, offset',
  examples: [
    {
      given: {
        pairs: [
          { referenceC: 0, shownC: 0.8 },
          { referenceC: 50, shownC: 50.8 },
        ],
        toleranceK: 0.3,
        offsetLimitK: 2,
      },
      gives: { offsetK: -0.8, residualK: 0, slope: 0, verdict: 'offset' },
      source: 'by hand: both show 0.8 too much',
    },
    {
      given: {
        pairs: [
          { referenceC: 0, shownC: 0 },
          { referenceC: 50, shownC: 52 },
        ],
        toleranceK: 0.3,
        offsetLimitK: 2,
        presentOffsetK: 0.5,
      },
      gives: { offsetK: -0.5, residualK: 1, slope: -0.04, verdict: 'not-an-offset' },
      source: 'by hand: errors 0 and −2, mean −1, slope −2/50',
    },
    {
      given: { pairs: [{ referenceC: 21, shownC: 24 }], toleranceK: 0.5, offsetLimitK: 2 },
      gives: { offsetK: -3, verdict: 'beyond-limit' },
      source: 'by hand: −3 is more than 2',
    },
    {
      given: { pairs: [{ referenceC: 21, shownC: 21.2 }], toleranceK: 0.3, offsetLimitK: 2, presentOffsetK: 1 },
      gives: { offsetK: 1, verdict: 'leave' },
      source: 'by hand: 0.2 is within 0.3, so what is keyed stays',
    },
  ],
  run: ({ pairs, toleranceK, offsetLimitK, presentOffsetK }) => {
    const answer = calibrateProbe(pairs, toleranceK, offsetLimitK, presentOffsetK)
    const next = {
      leave: 'Nothing to key.',
      'not-an-offset':
        'Look for the wrong kind of probe, a bad connection, a long lead or a bad place. An offset would be right at one temperature only.',
      'beyond-limit': `An offset of ${figure(answer.offsetK, 'K')} hides a fault: look at probe, connection and place first.`,
      offset: `Key in ${figure(answer.offsetK, 'K')} and read once more.`,
    }[answer.verdict]
    return { ...answer, next }
  },
  picture: ({ pairs, toleranceK }) => ({
    kind: 'lines',
    x: { title: 'Reference', quantity: 'temperature' },
    y: { title: 'Reference less shown', quantity: 'difference' },
    lines: [],
    spots: pairs.map(({ referenceC, shownC: shown }, i) => ({
      title: `Reading ${i + 1}`,
      at: [referenceC, referenceC - shown],
    })),
    across: [
      { title: 'Tolerance', at: toleranceK },
      { title: 'Tolerance', at: -toleranceK },
    ],
  }),
})
