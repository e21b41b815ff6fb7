import { type ContactRating } from '../../device/deviceProfile'
import { loadKinds } from '../../choices/deviceChoices'
import { contactLoad, type LeastLoad, type SwitchedLoad } from '../../wiring/contactLoad'
import { transformerLoad } from '../../wiring/transformerLoad'
import { voltageDrop, type VoltageDropInput } from '../../wiring/voltageDrop'
import { constructions } from '../../wiring/wireResistance'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { temperature } from '../commonFields'
import { choice, list, nullable, number, object, optional, text, yes } from '../field'
import { evenly, type Spot } from '../picture'

export const wiringDrop = defineCalculation<VoltageDropInput>({
  id: 'wiring.drop',
  title: 'Voltage drop along a cable',
  find: 'voltage drop cable length wire size mm2 awg copper long run 24 v',
  inputs: {
    lengthM: number('Length, one way', 'length', { min: 0, max: 100_000, symbol: 'L' }),
    areaMm2: number('Section', 'section', { over: 0, max: 2000, symbol: 'A' }),
    currentA: number('Current', 'current', { min: 0, max: 100_000, symbol: 'I' }),
    supplyV: number('Supply', 'voltage', { over: 0, max: 100_000 }),
    conductorC: optional(
      temperature('Conductor', { min: -100, max: 250, default: 20, hint: 'Loaded mains cable: 70' }),
    ),
    construction: optional(
      choice('Copper', constructions, {
        default: 'pure',
        says: {
          pure: 'pure, exactly that section',
          class2: 'stranded (class 2), at most',
          class5: 'fine-stranded (class 5), at most',
          gauge: 'stranded, by trade gauge (US table at 75 °C)',
        },
      }),
    ),
    phases: optional(number('Phases, 1 or 3', 'count', { min: 1, max: 3, integer: true, default: 1 })),
    allowedPercent: optional(
      number('Allowed', 'percent', {
        over: 0,
        max: 100,
        hint: '3 for lighting, 5 for other uses and 24 V control (field data drop.*)',
      }),
    ),
  },
  outputs: {
    dropPercent: number('Lost, of the supply', 'percent'),
    dropV: number('Lost', 'voltage'),
    endV: number('At the end', 'voltage'),
    loopOhm: number('Out and back', 'resistance'),
    maximumLengthM: optional(nullable(number('Reaches', 'length'))),
    minimumAreaMm2: optional(nullable(number('Needs', 'section'))),
    tradeAreaMm2: optional(nullable(number('Next listed section', 'section'))),
  },
  formula: 'R = ρ L/A (1 + 0.00393 (t − 20)); one phase 2 R I, three phases √3 R I',
  source:
    'copper 17.241 nΩm (IEC 60028); highest resistances of IEC 60228; stranded copper by trade gauge at 75 °C; limits of IEC 60364-5-52',
  cautions: ['The section must also carry the current and be protected: local code decides.'],
  examples: [
    {
      given: { lengthM: 25, areaMm2: 1.5, currentA: 10, supplyV: 230 },
      gives: { loopOhm: 0.5747, dropV: 5.747, dropPercent: 2.498696, endV: 224.253 },
      source: 'by hand: 2 × 0.017241 × 25/1.5 × 10',
    },
    {
      given: { lengthM: 30, areaMm2: 1.5, currentA: 2, supplyV: 24, construction: 'class5', allowedPercent: 5 },
      gives: { loopOhm: 0.798, dropV: 1.596, dropPercent: 6.65, maximumLengthM: 22.556391, minimumAreaMm2: 2.5 },
      source: 'IEC 60228: 13.3 mohm/m; by hand 1.2 V/(2 × 0.0133 × 2 A); 2.5 mm² loses 0.958 V',
    },
    {
      given: { lengthM: 30, areaMm2: 2.08, currentA: 12, supplyV: 120, conductorC: 75, construction: 'gauge' },
      gives: { loopOhm: 0.618, dropV: 7.416, dropPercent: 6.18 },
      source: 'by hand: 14 AWG 10.3 mohm/m at 75 °C, 2 × 30 m × 12 A',
    },
    {
      given: { lengthM: 40, areaMm2: 2.5, currentA: 12, supplyV: 400, phases: 3 },
      gives: { dropV: 5.733559, dropPercent: 1.43339 },
      source: 'by hand: √3 × 0.017241 × 40/2.5 × 12',
    },
    {
      given: { lengthM: 25, areaMm2: 1.5, currentA: 10, supplyV: 230, conductorC: 70, allowedPercent: 3 },
      gives: { dropV: 6.876286, maximumLengthM: 25.086218, minimumAreaMm2: 1.494845 },
      source: 'by hand: 5.747 × 1.1965; 6.9 V allowed',
    },
  ],
  run: (input) => {
    if (input.phases === (2 as number)) throw new InputError('phases', 'is 2: 1 or 3')
    return voltageDrop(input)
  },
  picture: (input, { endV }) => {
    if (input.lengthM === 0) return null
    const end = input.lengthM * 1.5
    return {
      kind: 'lines',
      x: { title: 'Along the wire, one way', quantity: 'length' },
      y: { title: 'Voltage', quantity: 'voltage' },
      lines: [
        {
          title: 'Voltage',
          look: 'main',
          points: evenly(0, end, 31).map((lengthM): Spot => [lengthM, voltageDrop({ ...input, lengthM }).endV]),
        },
      ],
      spots: [{ title: 'At the end', at: [input.lengthM, endV as number] }],
      ...(input.allowedPercent === undefined
        ? {}
        : { across: [{ title: 'allowed', at: input.supplyV * (1 - input.allowedPercent / 100) }] }),
    }
  },
})

export const wiringTransformer = defineCalculation<{
  ratedVa: number
  loads: { name: string; va: number }[]
  reservePercent?: number
}>({
  id: 'wiring.transformer',
  title: 'What hangs on a transformer',
  find: 'transformer va control 24 v load sum reserve enough size',
  inputs: {
    ratedVa: number('Rated', 'apparentPower', { over: 0, max: 1e9 }),
    loads: list(
      'Loads',
      object('Load', { name: text('Name'), va: number('Takes', 'apparentPower', { min: 0, max: 1e9 }) }),
      { most: 200 },
    ),
    reservePercent: optional(
      number('Reserve', 'percent', {
        min: 0,
        max: 99,
        default: 0,
        hint: 'Share of the rating to keep free; 25 is usual (field data reserve.va)',
      }),
    ),
  },
  outputs: {
    usedPercent: number('Used', 'percent'),
    enough: yes('Enough', { tones: { yes: 'fits', no: 'stop' } }),
    loadVa: number('Together', 'apparentPower'),
    spareVa: number('Left after the reserve', 'apparentPower'),
  },
  formula: 'used = sum/rated; enough when the sum leaves the reserve',
  cautions: ['Its mains side is for the licensed trade; fuse both sides as the leaflet says.'],
  source: 'sum of apparent powers; pull-in of AC coils is 5 to 12 times the hold (field data inrush.accoil)',
  examples: [
    {
      given: {
        ratedVa: 50,
        loads: [
          { name: 'valve', va: 12 },
          { name: 'control', va: 5 },
        ],
        reservePercent: 25,
      },
      gives: { loadVa: 17, usedPercent: 34, enough: true, spareVa: 20.5 },
      source: 'by hand: 17/50; 37.5 − 17',
    },
    {
      given: {
        ratedVa: 40,
        loads: [
          { name: 'a', va: 20 },
          { name: 'b', va: 15 },
        ],
        reservePercent: 25,
      },
      gives: { loadVa: 35, usedPercent: 87.5, enough: false },
      source: 'by hand: 35 is over 30',
    },
    {
      given: { ratedVa: 40, loads: [{ name: 'a', va: 40 }] },
      gives: { usedPercent: 100, enough: true },
      source: 'by hand',
    },
  ],
  run: ({ ratedVa, loads, reservePercent }) => transformerLoad(ratedVa, loads, reservePercent),
  picture: ({ ratedVa, loads, reservePercent }) => ({
    kind: 'bars',
    value: { title: 'Takes', quantity: 'apparentPower' },
    bars: loads.slice(0, 20).map(({ name, va }) => ({ title: name, value: va })),
    limit: { title: 'rating less reserve', at: ratedVa * (1 - (reservePercent ?? 0) / 100) },
  }),
})

const volts = number('Volts', 'voltage', { over: 0, max: 100_000 })

export const wiringContact = defineCalculation<{ ratings: ContactRating[]; minimum?: LeastLoad; load: SwitchedLoad }>({
  id: 'wiring.contact',
  title: 'Contact against load',
  find: 'relay rating contactor load amps motor heater inrush does it carry contact rating power factor',
  inputs: {
    ratings: list(
      'Ratings of the contact',
      object('Rating', {
        load: choice('Load kind', loadKinds),
        volts,
        amps: number('Amps', 'current', { over: 0, max: 1e6 }),
      }),
      { most: 50 },
    ),
    minimum: optional(
      object('Least that it switches well', {
        volts: number('Volts', 'voltage', { min: 0, max: 100_000 }),
        amps: number('Amps', 'current', { min: 0, max: 1e6 }),
      }),
    ),
    load: object('Load', {
      kind: choice('Kind', loadKinds),
      powerW: optional(number('Electrical input', 'electricPower', { min: 0, max: 1e9 })),
      volts,
      amps: optional(number('Nameplate current', 'current', { over: 0, max: 1e6, hint: 'Goes before the power' })),
      powerFactor: optional(number('Power factor', 'factor', { over: 0, max: 1 })),
      inrush: optional(number('Starts at, times its current', 'factor', { min: 1, max: 1000 })),
      phases: optional(number('Phases, 1 or 3', 'count', { min: 1, max: 3, integer: true, default: 1 })),
    }),
  },
  outputs: {
    usedPercent: nullable(number('Used', 'percent')),
    verdict: choice('Verdict', ['fits', 'look-again', 'does-not-fit'], {
      says: { fits: 'fits', 'look-again': 'look again', 'does-not-fit': 'does not fit' },
      tones: { fits: 'fits', 'look-again': 'look', 'does-not-fit': 'stop' },
    }),
    remedy: optional(text('What to do', { longest: 2000 })),
    loadA: number('Load draws', 'current'),
    ratedA: nullable(number('Contact rated', 'current')),
    assumedPowerFactor: optional(number('Power factor taken', 'factor')),
    inrushA: optional(number('At switching on', 'current')),
  },
  formula:
    'I = P/(U cos φ), three-phase P/(√3 U cos φ); share = I/rating of that kind at that voltage or over; over 80 % look again, over 100 % does not fit',
  source: 'leaflet ratings; cos φ 0.7 taken for motors, compressors and coils where none is given',
  cautions: ['A contactor is mains work: for the licensed trade.'],
  examples: [
    {
      given: {
        ratings: [{ load: 'resistive', volts: 250, amps: 10 }],
        load: { kind: 'resistive', powerW: 3680, volts: 230 },
      },
      gives: { loadA: 16, ratedA: 10, usedPercent: 160, verdict: 'does-not-fit' },
      source: 'by hand: 3680/230',
    },
    {
      given: { ratings: [{ load: 'motor', volts: 250, amps: 3 }], load: { kind: 'motor', powerW: 45, volts: 230 } },
      gives: { loadA: 0.279503, usedPercent: 9.31677, verdict: 'fits', assumedPowerFactor: 0.7 },
      source: 'by hand: 45/(230 × 0.7)',
    },
    {
      given: {
        ratings: [{ load: 'motor', volts: 400, amps: 6 }],
        load: { kind: 'motor', powerW: 3000, volts: 400, powerFactor: 0.8, phases: 3 },
      },
      gives: { loadA: 5.412659, usedPercent: 90.210979, verdict: 'look-again' },
      source: 'by hand: 3000/(√3 × 400 × 0.8)',
    },
    {
      given: {
        ratings: [{ load: 'resistive', volts: 250, amps: 10 }],
        minimum: { volts: 12, amps: 0.05 },
        load: { kind: 'resistive', powerW: 0.024, volts: 24 },
      },
      gives: { loadA: 0.001, verdict: 'look-again' },
      source: 'by hand: 1 mA is under 50 mA',
    },
    {
      given: {
        ratings: [{ load: 'resistive', volts: 250, amps: 10 }],
        load: { kind: 'lamp', powerW: 100, volts: 230 },
      },
      gives: { ratedA: null, verdict: 'look-again' },
      source: 'by hand: no rating for lamps',
    },
  ],
  run: ({ ratings, minimum, load }) => {
    if (load.phases === (2 as number)) throw new InputError('load.phases', 'is 2: 1 or 3')
    return contactLoad(ratings, load, minimum)
  },
  picture: (_, { loadA, ratedA }) => ({
    kind: 'bars',
    value: { title: 'Current', quantity: 'current' },
    bars: [{ title: 'load', value: loadA as number }],
    ...(typeof ratedA === 'number' ? { limit: { title: 'rated', at: ratedA } } : {}),
  }),
})
