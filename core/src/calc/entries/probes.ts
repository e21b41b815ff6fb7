import { mismatch } from '../../probes/mismatch'
import type { Probe } from '../../probes/probe'
import { probeCurve } from '../../probes/probeCurve'
import { readProbe } from '../../probes/readProbe'
import { defineCalculation } from '../calculation'
import { type Field, InputError, number } from '../field'

const probe = (title: string): Field => ({ type: 'probe', title })
const CURVES = 'IEC 60751 for platinum; beta and Steinhart-Hart models for thermistors'

export const probeResistance = defineCalculation<{ probe: Probe; temperatureC: number }>({
  id: 'probe.resistance',
  title: 'Resistance of a probe',
  inputs: { probe: probe('Probe'), temperatureC: number('Temperature', 'temperature', { min: -200, max: 850 }) },
  outputs: { resistanceOhm: number('Resistance', 'resistance') },
  formula: 'R = curve(t): platinum R0(1 + At + Bt² + C(t − 100)t³), thermistor R25 e^(β(1/T − 1/298.15))',
  source: CURVES,
  examples: [
    { given: { probe: { kind: 'rtd', r0Ohm: 100 }, temperatureC: 100 }, gives: { resistanceOhm: 138.5055 } },
    {
      given: { probe: { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }, temperatureC: 25 },
      gives: { resistanceOhm: 10000 },
    },
  ],
  run: (input) => {
    const curve = probeCurve(input.probe)
    if (input.temperatureC < curve.lowC || input.temperatureC > curve.highC)
      throw new InputError(
        'temperatureC',
        `temperatureC is ${input.temperatureC}: this probe's curve goes from ${curve.lowC} to ${curve.highC} °C`,
      )
    return { resistanceOhm: curve.resistance(input.temperatureC) }
  },
})

export const probeTemperature = defineCalculation<{ probe: Probe; resistanceOhm: number | null }>({
  id: 'probe.temperature',
  title: 'Temperature of a probe',
  inputs: {
    probe: probe('Probe'),
    resistanceOhm: { type: 'number', title: 'Resistance', quantity: 'resistance', min: 0, nullable: true },
  },
  outputs: { temperatureC: number('Temperature', 'temperature') },
  formula: 'the curve read backwards; over 10 × its highest: open, under a tenth of its lowest: short',
  source: CURVES,
  examples: [
    { given: { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: 1077.935 }, gives: { temperatureC: 20 } },
    {
      given: { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: null },
      gives: { temperatureC: null, reason: 'open' },
    },
  ],
  run: (input) => {
    const reading = readProbe(input.probe, input.resistanceOhm)
    return reading.ok ? { temperatureC: reading.temperatureC } : { temperatureC: null, reason: reading.reason }
  },
})

export const probeMismatch = defineCalculation<{
  fitted: Probe
  expected: Probe
  temperatureC: number
  rangeC: [number, number]
}>({
  id: 'probe.mismatch',
  title: 'The wrong probe on an input',
  inputs: {
    fitted: probe('Probe that is fitted'),
    expected: probe('Probe that the input is made for'),
    temperatureC: number('True temperature', 'temperature', { min: -200, max: 850 }),
    rangeC: { type: 'list', title: 'Range of the display', of: number('Limit', 'temperature'), length: 2 },
  },
  outputs: {
    shownC: number('The display shows', 'temperature'),
    resistanceOhm: number('The probe gives', 'resistance'),
  },
  formula: 'shown = expected curve read backwards at the resistance of the fitted probe',
  source: CURVES,
  examples: [
    {
      given: {
        fitted: { kind: 'rtd', r0Ohm: 1000 },
        expected: { kind: 'ntc', r25Ohm: 10000, betaK: 3435 },
        temperatureC: 20,
        rangeC: [-40, 110],
      },
      gives: { shownC: 96.463, resistanceOhm: 1077.935 },
    },
  ],
  run: (input) => mismatch(input.fitted, input.expected, input.temperatureC, input.rangeC),
})
