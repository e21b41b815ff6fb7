import { onOffCycle, type OnOffCycleInput } from '../../control/onOffCycle'
import { relayLifeYears, swingForRate, worstCycling, worstCyclingRested } from '../../control/worstCycling'
import { bufferVolumeL, type Liquid } from '../../plant/water'
import { defineCalculation } from '../calculation'
import { action, capacity, density, difference, loss, power, specificHeat, swing, temperature } from '../commonFields'
import { choice, nullable, number, optional } from '../field'
import { evenly, type Spot } from '../picture'

export const cyclingOnOff = defineCalculation<OnOffCycleInput>({
  id: 'cycling.onOff',
  title: 'How often it cycles',
  find: 'short cycling run time minimum off time duty cycles per hour on off',
  inputs: {
    powerW: power,
    lossWPerK: loss,
    capacityJPerK: capacity,
    outdoorC: temperature('Outdoor'),
    lowC: temperature('Lower switching point'),
    highC: temperature('Upper switching point'),
    action,
  },
  outputs: {
    onS: nullable(number('Runs', 'seconds')),
    offS: nullable(number('Rests', 'seconds')),
    periodS: nullable(number('One cycle', 'seconds')),
    dutyPercent: number('Duty', 'percent'),
    cyclesPerHour: number('Cycles', 'perHour'),
    reason: optional(
      choice('Reason', ['stays-on', 'stays-off'], {
        says: {
          'stays-on': 'it never gets there: the power does not cover the loss',
          'stays-off': 'it is never called: the temperature does not come back to the cut-in',
        },
      }),
    ),
  },
  formula: 'τ = C/H; rests at outdoor, runs towards outdoor ± P/H; t = τ ln((from − rest)/(to − rest))',
  source: 'first-order plant, closed form',
  examples: [
    {
      given: {
        powerW: 2000,
        lossWPerK: 50,
        capacityJPerK: 1_800_000,
        outdoorC: 0,
        lowC: 19.5,
        highC: 20.5,
        action: 'heating',
      },
      gives: { dutyPercent: 50, onS: 1800.375, offS: 1800.375, cyclesPerHour: 0.99979 },
      source: 'by hand: 36000 ln(20.5/19.5) both ways',
    },
    {
      given: {
        powerW: 900,
        lossWPerK: 50,
        capacityJPerK: 1_800_000,
        outdoorC: 0,
        lowC: 19.5,
        highC: 20.5,
        action: 'heating',
      },
      gives: { onS: null, offS: null, dutyPercent: 100, reason: 'stays-on' },
      source: 'by hand: 900/50 = 18 K, it never reaches 20.5',
    },
    {
      given: {
        powerW: 3000,
        lossWPerK: 100,
        capacityJPerK: 600_000,
        outdoorC: 35,
        lowC: 24,
        highC: 26,
        action: 'cooling',
      },
      gives: { onS: 600.5, offS: 1204.02, dutyPercent: 33.28 },
      within: 0.01,
      source: 'by hand: on 6000 ln((26 − 5)/(24 − 5)), off 6000 ln((35 − 24)/(35 − 26))',
    },
  ],
  run: onOffCycle,
  picture: ({ lowC, highC, outdoorC, powerW, lossWPerK, capacityJPerK, action: acts }, { onS, offS }) => {
    if (typeof onS !== 'number' || typeof offS !== 'number') return null
    const heats = acts === 'heating'
    const tau = capacityJPerK / lossWPerK
    const restOn = outdoorC + ((heats ? 1 : -1) * powerW) / lossWPerK
    const [cutIn, cutOut] = heats ? [lowC, highC] : [highC, lowC]
    const leg = (from: number, rest: number, seconds: number, start: number) =>
      evenly(0, seconds, 25).map((s): Spot => [(start + s) / 3600, rest + (from - rest) * Math.exp(-s / tau)])
    const cycle = (start: number) => [...leg(cutIn, restOn, onS, start), ...leg(cutOut, outdoorC, offS, start + onS)]
    return {
      kind: 'lines',
      x: { title: 'Time', quantity: 'hours' },
      y: { title: 'Temperature', quantity: 'temperature' },
      lines: [{ title: 'Temperature', look: 'main', points: [...cycle(0), ...cycle(onS + offS)] }],
      spots: [],
      across: [
        { title: 'on', at: cutIn },
        { title: 'off', at: cutOut },
      ],
    }
  },
})

export const cyclingWorst = defineCalculation<{
  powerW: number
  capacityJPerK: number
  swingK: number
  maximumDutyPercent?: number
}>({
  id: 'cycling.worst',
  title: 'Cycles at the worst half load',
  find: 'short cycling worst case cycles per hour swing starts',
  inputs: {
    powerW: power,
    capacityJPerK: capacity,
    swingK: swing,
    maximumDutyPercent: optional(
      number('Highest duty', 'percent', {
        min: 0,
        max: 100,
        symbol: 'd',
        default: 50,
        hint: 'Where the load never reaches half of the power',
      }),
    ),
  },
  outputs: { cyclesPerHour: number('Cycles', 'perHour') },
  formula: '3600 P/(4 C ΔT); with a highest duty d under a half: 3600 P d (1 − d)/(C ΔT)',
  source: 'first-order plant, straight ramps',
  examples: [
    {
      given: { powerW: 2000, capacityJPerK: 1_800_000, swingK: 1 },
      gives: { cyclesPerHour: 1 },
      source: 'by hand: 7.2e6/7.2e6',
    },
    {
      given: { powerW: 2000, capacityJPerK: 1_800_000, swingK: 1, maximumDutyPercent: 20 },
      gives: { cyclesPerHour: 0.64 },
      source: 'by hand: 3600 × 2000 × 0.2 × 0.8/1.8e6',
    },
    {
      given: { powerW: 24000, capacityJPerK: 418_200, swingK: 8 },
      gives: { cyclesPerHour: 6.45624 },
      source: 'by hand: 86.4e6/(4 × 3345600)',
    },
  ],
  run: ({ powerW, capacityJPerK, swingK, maximumDutyPercent }) => ({
    cyclesPerHour: worstCycling(powerW, capacityJPerK, swingK, maximumDutyPercent),
  }),
  picture: ({ powerW, capacityJPerK, swingK, maximumDutyPercent }, { cyclesPerHour }) => ({
    kind: 'lines',
    x: { title: 'Swing', quantity: 'difference' },
    y: { title: 'Cycles', quantity: 'perHour' },
    lines: [
      {
        title: 'Cycles',
        look: 'main',
        points: evenly(swingK / 3, swingK * 3, 61).map((k): Spot => [
          k,
          worstCycling(powerW, capacityJPerK, k, maximumDutyPercent),
        ]),
      },
    ],
    spots: [{ title: 'Here', at: [swingK, cyclesPerHour as number] }],
  }),
})

export const cyclingRested = defineCalculation<{
  powerW: number
  capacityJPerK: number
  swingK: number
  minimumOffS: number
}>({
  id: 'cycling.rested',
  title: 'Cycles at the worst load, with a minimum off time',
  find: 'short cycling minimum off time anti short cycle starts per hour compressor',
  inputs: {
    powerW: power,
    capacityJPerK: capacity,
    swingK: swing,
    minimumOffS: number('Minimum off time', 'seconds', { min: 0, max: 86400, symbol: 't' }),
  },
  outputs: {
    cyclesPerHour: number('Cycles', 'perHour'),
    dutyPercent: number('At a load of', 'percent'),
  },
  formula:
    '3600 P/(4 C ΔT) at half load while that stays off long enough; else 3600 (1 − d)/t at the duty d = C ΔT/(P t)',
  source: 'first-order plant, straight ramps',
  examples: [
    {
      given: { powerW: 2000, capacityJPerK: 1_800_000, swingK: 1, minimumOffS: 300 },
      gives: { cyclesPerHour: 1, dutyPercent: 50 },
      source: 'by hand: off takes 1800 s at half load, the minimum does not count',
    },
    {
      given: { powerW: 12000, capacityJPerK: 600_000, swingK: 1, minimumOffS: 300 },
      gives: { cyclesPerHour: 10, dutyPercent: 16.6667 },
      source: 'by hand: d = 6e5/3.6e6 = 1/6; 3600 × 5/6/300',
    },
    {
      given: { powerW: 2000, capacityJPerK: 60_000, swingK: 2, minimumOffS: 180 },
      gives: { cyclesPerHour: 13.3333, dutyPercent: 33.3333 },
      source: 'by hand: d = 1.2e5/3.6e5 = 1/3; 3600 × 2/3/180',
    },
  ],
  run: ({ powerW, capacityJPerK, swingK, minimumOffS }) => {
    const { cyclesPerHour, dutyPercent } = worstCyclingRested(powerW, capacityJPerK, swingK, minimumOffS)
    return { cyclesPerHour, dutyPercent }
  },
})

export const cyclingSwingFor = defineCalculation<{ powerW: number; capacityJPerK: number; cyclesPerHour: number }>({
  id: 'cycling.swingFor',
  title: 'Narrowest swing for a rate',
  find: 'swing needed starts per hour limit compressor burner how wide',
  inputs: {
    powerW: power,
    capacityJPerK: capacity,
    cyclesPerHour: number('Cycles', 'perHour', { over: 0, symbol: 'n' }),
  },
  outputs: { swingK: difference('Swing') },
  formula: 'ΔT = 3600 P/(4 C n)',
  source: 'cycling.worst turned round; rates by field data starts.*',
  examples: [
    {
      given: { powerW: 2000, capacityJPerK: 1_800_000, cyclesPerHour: 2 },
      gives: { swingK: 0.5 },
      source: 'by hand: 7.2e6/14.4e6',
    },
    {
      given: { powerW: 10000, capacityJPerK: 836_400, cyclesPerHour: 6 },
      gives: { swingK: 1.7934 },
      source: 'by hand: 36e6/(4 × 836400 × 6)',
    },
    {
      given: { powerW: 1500, capacityJPerK: 60_000, cyclesPerHour: 4 },
      gives: { swingK: 5.625 },
      source: 'by hand: 5.4e6/960000',
    },
  ],
  run: ({ powerW, capacityJPerK, cyclesPerHour }) => ({ swingK: swingForRate(powerW, capacityJPerK, cyclesPerHour) }),
})

export const relayLife = defineCalculation<{ cyclesPerHour: number; hoursPerYear: number; ratedOperations: number }>({
  id: 'cycling.relayLife',
  title: 'Relay life',
  find: 'contact wear operations years how long does the relay last contactor',
  inputs: {
    cyclesPerHour: number('Cycles', 'perHour', { over: 0 }),
    hoursPerYear: number('Hours a year in use', 'hours', { over: 0, max: 8784 }),
    ratedOperations: number('Rated operations', 'count', { over: 0 }),
  },
  outputs: { years: number('Lasts', 'years'), operationsPerYear: number('Operations a year', 'count') },
  formula: 'rated operations / (cycles an hour × hours a year)',
  source: 'rated operations: leaflet, or field data life.*',
  examples: [
    {
      given: { cyclesPerHour: 2, hoursPerYear: 5000, ratedOperations: 100_000 },
      gives: { years: 10, operationsPerYear: 10_000 },
      source: 'by hand',
    },
    {
      given: { cyclesPerHour: 6, hoursPerYear: 8760, ratedOperations: 1_000_000 },
      gives: { years: 19.02588 },
      source: 'by hand: 1e6/52560',
    },
    {
      given: { cyclesPerHour: 10, hoursPerYear: 2000, ratedOperations: 30_000 },
      gives: { years: 1.5 },
      source: 'by hand',
    },
  ],
  run: ({ cyclesPerHour, hoursPerYear, ratedOperations }) => ({
    years: relayLifeYears(cyclesPerHour, hoursPerYear, ratedOperations),
    operationsPerYear: cyclesPerHour * hoursPerYear,
  }),
})

export const cyclingBuffer = defineCalculation<
  Liquid & { sourceW: number; loadW: number; minRunS: number; swingK: number }
>({
  id: 'cycling.buffer',
  title: 'Buffer volume',
  find: 'buffer tank size heat pump minimum run chiller loop volume litres',
  inputs: {
    sourceW: number('Power of the source', 'power', { over: 0, symbol: 'Qs' }),
    loadW: number('Least load', 'power', { min: 0, symbol: 'Ql' }),
    minRunS: number('Shortest run', 'seconds', { over: 0, symbol: 't' }),
    swingK: swing,
    densityKgPerM3: optional(density),
    specificHeatJPerKgK: optional(specificHeat),
  },
  outputs: { volumeL: number('Volume', 'litres') },
  formula: 'V = 1000 t (Qs − Ql)/(ρ c ΔT), 0 when the load takes it all',
  source: 'heat balance; run times by field data on.*',
  cautions: [
    'Count the water that is in the loop already. A pressure vessel has its own rules and its own relief valve.',
  ],
  examples: [
    {
      given: { sourceW: 10_000, loadW: 2000, minRunS: 600, swingK: 5 },
      gives: { volumeL: 229.9692 },
      source: 'by hand: 4.8e9/(998.2 × 4182 × 5)',
    },
    {
      given: { sourceW: 8000, loadW: 2000, minRunS: 300, swingK: 4, densityKgPerM3: 1030, specificHeatJPerKgK: 3900 },
      gives: { volumeL: 112.0239 },
      source: 'by hand: 1.8e9/(1030 × 3900 × 4)',
    },
    {
      given: { sourceW: 5000, loadW: 6000, minRunS: 600, swingK: 5 },
      gives: { volumeL: 0 },
      source: 'by hand: the load takes it all',
    },
  ],
  run: ({ sourceW, loadW, minRunS, swingK, ...liquid }) => ({
    volumeL: bufferVolumeL(sourceW, loadW, minRunS, swingK, liquid),
  }),
})
