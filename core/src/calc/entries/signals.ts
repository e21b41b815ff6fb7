import { driveHz, fanDemand, type FanDemandInput } from '../../settings/fan/law/fanDemand'
import { acrossResistorV, loopCurrent } from '../../signal/signalLoop'
import { signalBudget } from '../../wiring/signalBudget'
import { defineCalculation } from '../calculation'
import { difference, temperature } from '../commonFields'
import { choice, list, nullable, number, object, optional, text, yes } from '../field'
import { evenly, type Spot } from '../picture'

export const signalAcrossResistor = defineCalculation<{ milliampsMa: number; resistorOhm: number }>({
  id: 'signal.acrossResistor',
  title: 'Milliamps over a resistor',
  find: '4-20 ma to 1-5 v 2-10 v 250 500 ohm resistor convert current voltage',
  inputs: {
    milliampsMa: number('Current', 'milliamps', { min: -1000, max: 1000, symbol: 'I' }),
    resistorOhm: number('Resistor', 'resistance', { min: 0, max: 1e6, symbol: 'R' }),
  },
  outputs: { voltageV: number('Voltage', 'voltage') },
  formula: 'V = I R',
  source: "Ohm's law",
  examples: [
    { given: { milliampsMa: 20, resistorOhm: 500 }, gives: { voltageV: 10 }, source: 'by hand' },
    { given: { milliampsMa: 4, resistorOhm: 250 }, gives: { voltageV: 1 }, source: 'by hand' },
    { given: { milliampsMa: 12, resistorOhm: 250 }, gives: { voltageV: 3 }, source: 'by hand' },
  ],
  run: ({ milliampsMa, resistorOhm }) => ({ voltageV: acrossResistorV(milliampsMa, resistorOhm) }),
  picture: ({ resistorOhm, milliampsMa }, { voltageV }) => ({
    kind: 'lines',
    x: { title: 'Current', quantity: 'milliamps' },
    y: { title: 'Voltage', quantity: 'voltage' },
    lines: [
      {
        title: 'Over the resistor',
        look: 'main',
        points: [
          [0, 0],
          [20, acrossResistorV(20, resistorOhm)],
        ],
      },
    ],
    spots: [{ title: 'Here', at: [milliampsMa, voltageV as number] }],
  }),
})

export const signalLoop = defineCalculation<{ supplyV: number; transmitterDropV: number; loopOhm: number }>({
  id: 'signal.loop',
  title: 'What a transmitter loop can carry',
  find: '4-20 ma loop supply volts burden too many loads in series stops at 18 ma',
  inputs: {
    supplyV: number('Supply', 'voltage', { over: 0, max: 1000 }),
    transmitterDropV: number('Transmitter needs', 'voltage', { min: 0, max: 1000 }),
    loopOhm: number('Loop: wire and loads', 'resistance', { min: 0, max: 1e9, symbol: 'R' }),
  },
  outputs: {
    maximumMa: nullable(number('Most current', 'milliamps')),
    enoughForFullScale: yes('Reaches 20 mA', { tones: { yes: 'fits', no: 'stop' } }),
    maximumLoopOhm: number('Loop may have', 'resistance'),
    reason: optional(
      choice('Reason', ['no-resistance'], { says: { 'no-resistance': 'nothing in the loop limits the current' } }),
    ),
  },
  formula: 'I = (supply − transmitter)/R; full scale needs 20 mA',
  source: "Ohm's law",
  examples: [
    {
      given: { supplyV: 24, transmitterDropV: 10, loopOhm: 500 },
      gives: { maximumMa: 28, enoughForFullScale: true, maximumLoopOhm: 700 },
      source: 'by hand: 14 V/500 ohm',
    },
    {
      given: { supplyV: 24, transmitterDropV: 12, loopOhm: 750 },
      gives: { maximumMa: 16, enoughForFullScale: false },
      source: 'by hand: 12 V/750 ohm',
    },
    {
      given: { supplyV: 12, transmitterDropV: 12, loopOhm: 250 },
      gives: { maximumMa: 0, enoughForFullScale: false },
      source: 'by hand: nothing is left',
    },
    {
      given: { supplyV: 24, transmitterDropV: 10, loopOhm: 0 },
      gives: { maximumMa: null, reason: 'no-resistance' },
      source: 'by hand: a division by nothing',
    },
  ],
  run: ({ supplyV, transmitterDropV, loopOhm }) => {
    const answer = loopCurrent(supplyV, transmitterDropV, loopOhm)
    return answer.maximumMa === null ? { ...answer, reason: 'no-resistance' } : answer
  },
  picture: ({ supplyV, transmitterDropV, loopOhm }) =>
    loopOhm === 0
      ? null
      : {
          kind: 'lines',
          x: { title: 'Loop', quantity: 'resistance' },
          y: { title: 'Most current', quantity: 'milliamps' },
          lines: [
            {
              title: 'Most current',
              look: 'main',
              points: evenly(loopOhm / 4, loopOhm * 2, 61).map((r): Spot => [
                r,
                loopCurrent(supplyV, transmitterDropV, r).maximumMa ?? 0,
              ]),
            },
          ],
          spots: [{ title: 'Here', at: [loopOhm, loopCurrent(supplyV, transmitterDropV, loopOhm).maximumMa ?? 0] }],
          across: [{ title: '20 mA', at: 20 }],
        },
})

export const signalBudgetEntry = defineCalculation<{ sourceMa: number; loads: { name: string; needMa: number }[] }>({
  id: 'signal.budget',
  title: 'Loads on one analogue output',
  find: '0-10 v output several actuators current budget too many valves overload',
  inputs: {
    sourceMa: number('The output can give', 'milliamps', {
      over: 0,
      max: 1e6,
      hint: 'Field data signal.out010: 2 mA is usual',
    }),
    loads: list(
      'Loads',
      object('Load', { name: text('Name'), needMa: number('Needs', 'milliamps', { min: 0, max: 1e6 }) }),
      { most: 100 },
    ),
  },
  outputs: {
    sparePercent: number('Spare', 'percent'),
    enough: yes('Enough', { tones: { yes: 'fits', no: 'stop' } }),
    needMa: number('Together', 'milliamps'),
  },
  formula: 'spare = (source − sum)/source',
  source: 'sum of currents; an input of R ohm takes U/R',
  examples: [
    {
      given: {
        sourceMa: 2,
        loads: [
          { name: 'valve', needMa: 0.1 },
          { name: 'damper', needMa: 0.4 },
        ],
      },
      gives: { sparePercent: 75, enough: true, needMa: 0.5 },
      source: 'by hand: 1.5/2',
    },
    {
      given: {
        sourceMa: 1,
        loads: [
          { name: 'a', needMa: 0.7 },
          { name: 'b', needMa: 0.7 },
        ],
      },
      gives: { sparePercent: -40, enough: false },
      source: 'by hand: −0.4/1',
    },
    {
      given: { sourceMa: 10, loads: [] },
      gives: { sparePercent: 100, enough: true },
      source: 'by hand: nothing hangs on it',
    },
  ],
  run: ({ sourceMa, loads }) => signalBudget(sourceMa, loads),
  picture: ({ sourceMa, loads }) => ({
    kind: 'bars',
    value: { title: 'Current', quantity: 'milliamps' },
    bars: loads.slice(0, 20).map(({ name, needMa }) => ({ title: name, value: needMa })),
    limit: { title: 'the output can give', at: sourceMa },
  }),
})

export const driveFrequency = defineCalculation<{ percent: number; minimumHz: number; maximumHz: number }>({
  id: 'drive.frequency',
  title: 'Frequency of a drive',
  find: 'variable speed drive inverter hz percent minimum maximum fan pump',
  inputs: {
    percent: number('Signal', 'percent', { min: 0, max: 100 }),
    minimumHz: number('Minimum', 'frequency', { min: 0, max: 1000 }),
    maximumHz: number('Maximum', 'frequency', { over: 0, max: 1000 }),
  },
  outputs: { hz: number('Frequency', 'frequency') },
  formula: 'f = minimum + (maximum − minimum) × %/100',
  source: 'definition; minimum by field data fan.min.drive',
  cautions: [
    'A self-cooled motor overheats at low speed: keep the minimum of its leaflet. It may start by itself; after isolating wait out the capacitors of the drive.',
  ],
  examples: [
    { given: { percent: 50, minimumHz: 20, maximumHz: 50 }, gives: { hz: 35 }, source: 'by hand' },
    { given: { percent: 0, minimumHz: 20, maximumHz: 50 }, gives: { hz: 20 }, source: 'by hand' },
    { given: { percent: 100, minimumHz: 0, maximumHz: 60 }, gives: { hz: 60 }, source: 'by hand' },
  ],
  run: ({ percent, minimumHz, maximumHz }) => ({ hz: driveHz(percent, minimumHz, maximumHz) }),
  picture: ({ percent, minimumHz, maximumHz }, { hz }) => ({
    kind: 'lines',
    x: { title: 'Signal', quantity: 'percent' },
    y: { title: 'Frequency', quantity: 'frequency' },
    lines: [
      {
        title: 'Drive',
        look: 'main',
        points: [
          [0, minimumHz],
          [100, maximumHz],
        ],
      },
    ],
    spots: [{ title: 'Here', at: [percent, hz as number] }],
  }),
})

export const fanDemandEntry = defineCalculation<FanDemandInput>({
  id: 'fan.demand',
  title: 'Fan by the stronger demand',
  find: 'ventilation fan speed temperature humidity stronger demand minimum speed extract',
  inputs: {
    temperatureC: temperature('Temperature'),
    temperatureSetC: temperature('Temperature set'),
    temperatureBandK: difference('Temperature band', { over: 0 }),
    humidityPercent: optional(number('Humidity', 'percent', { min: 0, max: 100 })),
    humiditySetPercent: optional(number('Humidity set', 'percent', { min: 0, max: 100 })),
    humidityBandPercent: optional(number('Humidity band', 'percent', { over: 0, max: 100 })),
    minimumPercent: optional({
      type: 'either',
      title: 'Minimum speed',
      number: number('Minimum speed', 'percent', { min: 0, max: 100 }),
      words: ['off'],
    }),
    minimumMode: optional(
      choice('The minimum', ['floor', 'scaled'], {
        default: 'floor',
        says: { floor: 'is a floor under the band', scaled: 'is where the band begins' },
      }),
    ),
  },
  outputs: {
    percent: number('Speed', 'percent'),
    command: choice('By', ['temperature', 'humidity', 'minimum', 'off']),
    temperatureDemandPercent: number('Temperature asks', 'percent'),
    humidityDemandPercent: nullable(number('Humidity asks', 'percent')),
  },
  formula:
    'demand = 100 (reading − set)/band, limited; the stronger counts, a tie goes to temperature; floor: never under the minimum; scaled: minimum + (100 − minimum) × demand',
  source: 'definition; bands by field data band.fan.*',
  cautions: [
    'Animals or people on forced air: never let the minimum be off. They need a thermostat of their own to full speed and an alarm on its own supply.',
  ],
  examples: [
    {
      given: {
        temperatureC: 26,
        temperatureSetC: 24,
        temperatureBandK: 4,
        humidityPercent: 68,
        humiditySetPercent: 60,
        humidityBandPercent: 10,
        minimumPercent: 20,
      },
      gives: { percent: 80, command: 'humidity', temperatureDemandPercent: 50 },
      source: 'by hand: 50 % against 80 %',
    },
    {
      given: { temperatureC: 26, temperatureSetC: 24, temperatureBandK: 4, minimumPercent: 20, minimumMode: 'scaled' },
      gives: { percent: 60, command: 'temperature' },
      source: 'by hand: 20 + 0.8 × 50',
    },
    {
      given: { temperatureC: 22, temperatureSetC: 24, temperatureBandK: 4, minimumPercent: 20 },
      gives: { percent: 20, command: 'minimum' },
      source: 'by hand: no demand',
    },
    {
      given: { temperatureC: 22, temperatureSetC: 24, temperatureBandK: 4, minimumPercent: 'off' },
      gives: { percent: 0, command: 'off' },
      source: 'by hand',
    },
  ],
  run: fanDemand,
  picture: (input, { percent }) => {
    const { temperatureC, temperatureSetC, temperatureBandK, humiditySetPercent, humidityBandPercent } = input
    const xs = evenly(temperatureSetC - temperatureBandK / 2, temperatureSetC + 1.5 * temperatureBandK, 9)
    if (humiditySetPercent === undefined || humidityBandPercent === undefined)
      return {
        kind: 'lines',
        x: { title: 'Temperature', quantity: 'temperature' },
        y: { title: 'Speed', quantity: 'percent' },
        lines: [
          {
            title: 'Speed',
            look: 'main',
            points: evenly(xs[0]!, xs[8]!, 81).map((t): Spot => [t, fanDemand({ ...input, temperatureC: t }).percent]),
          },
        ],
        spots: [{ title: 'Here', at: [temperatureC, percent as number] }],
      }
    const from = Math.max(0, humiditySetPercent - humidityBandPercent / 2)
    const ys = evenly(from, Math.min(100, from + 2 * humidityBandPercent), 9)
    return {
      kind: 'map',
      x: { title: 'Temperature', quantity: 'temperature' },
      y: { title: 'Humidity', quantity: 'percent' },
      value: { title: 'Speed', quantity: 'percent' },
      xs,
      ys,
      cells: ys.map((humidityPercent) =>
        xs.map((t) => fanDemand({ ...input, temperatureC: t, humidityPercent }).percent),
      ),
      spot: { title: 'Here', at: [temperatureC, input.humidityPercent!] },
    }
  },
})
