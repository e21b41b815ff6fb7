import { batteryRuntime, type BatteryInput } from '../../plant/batteryRuntime'
import {
  enclosureAreaM2,
  enclosureHeat,
  type EnclosureInput,
  type Mounting,
  mountings,
  STEEL_W_PER_M2K,
} from '../../plant/enclosure'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { difference, temperature } from '../commonFields'
import { choice, nullable, number, optional } from '../field'
import { evenly, type Spot } from '../picture'

const side = (title: string) => number(title, 'length', { over: 0, max: 100 })

export const enclosureArea = defineCalculation<{ heightM: number; widthM: number; depthM: number; mounting: Mounting }>(
  {
    id: 'enclosure.area',
    title: 'Cooling surface of an enclosure',
    find: 'cabinet panel effective surface area iec 60890 wall mounted free standing',
    inputs: {
      heightM: side('Height'),
      widthM: side('Width'),
      depthM: side('Depth'),
      mounting: choice('It stands', mountings, {
        says: {
          'single-free': 'alone, free on all sides',
          'single-wall': 'alone, back to a wall',
          'end-free': 'at the end of a row, free',
          'end-wall': 'at the end of a row, back to a wall',
          'middle-free': 'in a row, free',
          'middle-wall': 'in a row, back to a wall',
          'middle-wall-covered': 'in a row, back to a wall, roof covered',
        },
      }),
    },
    outputs: { areaM2: number('Effective surface', 'area') },
    formula: 'Σ b A: free roof 1.4, covered roof 0.7, free side 0.9, covered side 0.5, floor 0',
    source: 'IEC TR 60890',
    examples: [
      {
        given: { heightM: 2, widthM: 0.8, depthM: 0.4, mounting: 'single-free' },
        gives: { areaM2: 4.768 },
        source: 'IEC TR 60890 formula by hand: 1.8 × 2 × 1.2 + 1.4 × 0.32',
      },
      {
        given: { heightM: 2, widthM: 0.8, depthM: 0.4, mounting: 'single-wall' },
        gives: { areaM2: 4.128 },
        source: 'IEC TR 60890 formula by hand: 1.4 × 0.8 × 2.4 + 1.8 × 0.8',
      },
      {
        given: { heightM: 2, widthM: 0.8, depthM: 0.4, mounting: 'middle-wall-covered' },
        gives: { areaM2: 3.264 },
        source: 'IEC TR 60890 formula by hand: 1.4 × 1.6 + 0.7 × 0.32 + 0.8',
      },
      {
        given: { heightM: 2, widthM: 0.8, depthM: 0.4, mounting: 'end-wall' },
        gives: { areaM2: 3.808 },
        source: 'IEC TR 60890 formula by hand: 1.4 × 2 × 1.2 + 1.4 × 0.32',
      },
    ],
    run: ({ heightM, widthM, depthM, mounting }) => ({ areaM2: enclosureAreaM2(heightM, widthM, depthM, mounting) }),
  },
)

const drive = { dissipationW: 400, areaM2: 4, insideMaxC: 35, outsideC: 30 }

export const enclosureCooling = defineCalculation<EnclosureInput>({
  id: 'enclosure.cooling',
  title: 'Heat to remove from an enclosure',
  find: 'cabinet cooler watts panel too hot drive dissipation air conditioner heater condensation',
  inputs: {
    dissipationW: number('Heat inside', 'power', {
      min: 0,
      symbol: 'P',
      hint: 'Drives about 3 %, supplies about 10 % of what they carry',
    }),
    areaM2: number('Effective surface', 'area', { over: 0, max: 1e6, symbol: 'A' }),
    heatTransferWPerM2K: optional(
      number('Heat transfer', 'conductance', { over: 0, max: 1e4, symbol: 'k', default: STEEL_W_PER_M2K }),
    ),
    insideMaxC: temperature('Inside not over'),
    outsideC: temperature('Outside'),
    insideMinC: optional(temperature('Inside not under')),
  },
  outputs: {
    removeW: number('Cooler takes out', 'power'),
    riseK: difference('Rise without a cooler'),
    uncooledC: temperature('Inside without a cooler'),
    heatW: optional(number('Heater while it runs', 'power')),
    heatStandstillW: optional(number('Heater at standstill', 'power')),
  },
  formula: 'remove = P − k A (inside − outside), never under 0; rise = P/(k A); heat = k A (inside min − outside) − P',
  source: 'IEC TR 60890 surface; k by field data encl.k.*',
  cautions: [
    'Live parts inside: for the licensed trade. Isolate, and wait out the capacitors of drives, at least 5 minutes.',
    'Sun on an outdoor cabinet is not in it: add 200 to 800 W for each square metre of the sunlit face to the heat inside.',
  ],
  examples: [
    {
      given: drive,
      gives: { removeW: 290, riseK: 18.181818, uncooledC: 48.181818 },
      source: 'by hand: 400 − 22 × 5; 400/22',
    },
    {
      given: { ...drive, outsideC: 10 },
      gives: { removeW: 0, uncooledC: 28.181818 },
      source: 'by hand: the walls give off 550 W',
    },
    {
      given: { ...drive, dissipationW: 50, outsideC: -10, insideMinC: 10 },
      gives: { heatW: 390, heatStandstillW: 440 },
      source: 'by hand: 22 × 20 less 50',
    },
    {
      given: { ...drive, outsideC: 45 },
      gives: { removeW: 620 },
      source: 'by hand: hotter outside, the walls let 220 W in',
    },
  ],
  run: (input) => {
    if (input.insideMinC !== undefined && input.insideMinC > input.insideMaxC)
      throw new InputError(
        'insideMinC',
        `is {${input.insideMinC.toFixed(1)} C}: it must not be over {${input.insideMaxC.toFixed(1)} C}`,
      )
    return enclosureHeat(input)
  },
  picture: (input, { removeW }) => ({
    kind: 'lines',
    x: { title: 'Outside', quantity: 'temperature' },
    y: { title: 'Cooler takes out', quantity: 'power' },
    lines: [
      {
        title: 'Cooler',
        look: 'main',
        points: evenly(input.outsideC - 20, input.outsideC + 15, 36).map((outsideC): Spot => [
          outsideC,
          enclosureHeat({ ...input, outsideC }).removeW,
        ]),
      },
    ],
    spots: [{ title: 'Here', at: [input.outsideC, removeW as number] }],
  }),
})

export const batteryRuntimeEntry = defineCalculation<BatteryInput>({
  id: 'battery.runtime',
  title: 'How long a battery lasts',
  find: 'cabin heater van battery ampere hours overnight runtime glow plug start current',
  inputs: {
    capacityAh: number('Battery', 'ampereHours', { over: 0, max: 1e6 }),
    usablePercent: number('Usable', 'percent', {
      over: 0,
      max: 100,
      hint: 'Lead 50, lithium iron phosphate 85 (field data bat.usable); lead at −18 °C about half of that',
    }),
    runA: number('Draws while it runs', 'current', { min: 0, max: 1e5 }),
    fanA: optional(number('Draws all the time', 'current', { min: 0, max: 1e5, default: 0 })),
    startAs: number('A start takes', 'ampereSeconds', {
      min: 0,
      max: 1e9,
      hint: 'Glow amps times seconds: 9 A × 90 s = 810',
    }),
    cyclesPerHour: number('Starts', 'perHour', { min: 0, max: 1e5 }),
    dutyPercent: number('Duty', 'percent', { min: 0, max: 100 }),
  },
  outputs: {
    hours: nullable(number('Lasts', 'hours')),
    startSharePercent: nullable(number('Taken by starts', 'percent')),
    averageA: number('On average', 'current'),
    reason: optional(choice('Reason', ['no-draw'], { says: { 'no-draw': 'nothing is drawn' } })),
  },
  formula: 'average = run × duty + always + start × starts/3600; hours = Ah × usable/average',
  source: 'charge balance; field data heater.*, bat.*',
  cautions: [
    'Never cut the supply of a fuel heater: its after-run must finish. Fuse at the battery. No charging of lithium under {0 C}.',
  ],
  examples: [
    {
      given: { capacityAh: 100, usablePercent: 50, runA: 1.5, startAs: 1500, cyclesPerHour: 2, dutyPercent: 40 },
      gives: { hours: 34.883721, startSharePercent: 58.139535, averageA: 1.433333 },
      source: 'by hand: 50/(0.6 + 3000/3600)',
    },
    {
      given: {
        capacityAh: 60,
        usablePercent: 85,
        runA: 1.5,
        fanA: 0.3,
        startAs: 0,
        cyclesPerHour: 0,
        dutyPercent: 100,
      },
      gives: { hours: 28.333333, startSharePercent: 0 },
      source: 'by hand: 51/1.8',
    },
    {
      given: { capacityAh: 90, usablePercent: 50, runA: 2, fanA: 0.5, startAs: 810, cyclesPerHour: 1, dutyPercent: 50 },
      gives: { hours: 26.086957, startSharePercent: 13.043478 },
      source: 'by hand: 45/(1 + 0.5 + 0.225)',
    },
  ],
  run: batteryRuntime,
  picture: (input, { averageA }) => {
    const start = (input.startAs * input.cyclesPerHour) / 3600
    return (averageA as number) === 0
      ? null
      : {
          kind: 'bars',
          value: { title: 'Average draw', quantity: 'current' },
          bars: [
            { title: 'running', value: (input.runA * input.dutyPercent) / 100 },
            { title: 'all the time', value: input.fanA ?? 0 },
            { title: 'starts', value: start },
          ],
        }
  },
})
