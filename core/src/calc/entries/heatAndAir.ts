import { brineProperties, type Fluid, fluids } from '../../plant/brine'
import { freshAir } from '../../plant/freshAir'
import { gasRate } from '../../plant/gasRate'
import { heatPumpEfficiency } from '../../plant/heatPumpEfficiency'
import { type ExchangerFlow, exchangerFlows, meanDifference } from '../../plant/meanDifference'
import { vesselSize } from '../../plant/vesselSize'
import { defineCalculation } from '../calculation'
import { difference, temperature } from '../commonFields'
import { choice, nullable, number, optional } from '../field'
import { evenly, type Spot } from '../picture'

export const gasRateEntry = defineCalculation<{
  volumeM3: number
  seconds: number
  calorificMjPerM3: number
  efficiencyPercent?: number
}>({
  id: 'gas.rate',
  title: 'Gas rate by the meter',
  find: 'clock the meter gas rate input btu burner firing rate cubic feet stopwatch',
  inputs: {
    volumeM3: number('Through the meter', 'gasVolume', { min: 0, max: 1e6, symbol: 'V' }),
    seconds: number('In', 'seconds', { over: 0, max: 1e6, symbol: 't' }),
    calorificMjPerM3: number('Heat in the gas', 'calorific', {
      over: 0,
      max: 1000,
      symbol: 'H',
      hint: 'The supplier states it',
    }),
    efficiencyPercent: optional(number('Efficiency', 'percent', { over: 0, max: 110 })),
  },
  outputs: { inputW: number('Takes', 'power'), outputW: optional(number('Gives', 'power')) },
  formula: 'P = V H/t; gives P times its efficiency',
  source: 'definition; all else on that meter must be off',
  cautions: [
    'Gas, flue and burner are licensed work. Smell gas: everybody out, no switch, call from outside.',
    'A rate over the plate is for the licensed trade to put right, with a flue gas reading.',
  ],
  examples: [
    {
      given: { volumeM3: 0.05, seconds: 120, calorificMjPerM3: 38, efficiencyPercent: 90 },
      gives: { inputW: 15_833.3333, outputW: 14_250 },
      source: 'by hand: 1.9 MJ in 120 s',
    },
    {
      given: { volumeM3: 0.056633693, seconds: 60, calorificMjPerM3: 38.4 },
      gives: { inputW: 36_245.5635 },
      source: 'by hand: 2 ft³ in a minute',
    },
    {
      given: { volumeM3: 0.1, seconds: 100, calorificMjPerM3: 40 },
      gives: { inputW: 40_000 },
      source: 'by hand: 4 MJ in 100 s',
    },
  ],
  run: ({ volumeM3, seconds, calorificMjPerM3, efficiencyPercent }) =>
    gasRate(volumeM3, seconds, calorificMjPerM3, efficiencyPercent),
})

interface VesselEntry {
  systemL: number
  fluid?: Fluid
  volumePercent?: number
  coldC: number
  hotC: number
  chargeKpa: number
  limitKpa: number
  reservePercent?: number
}

export const vesselSizeEntry = defineCalculation<VesselEntry>({
  id: 'vessel.size',
  title: 'Expansion vessel',
  find: 'expansion tank size vessel precharge relief valve system volume glycol acceptance',
  inputs: {
    systemL: number('Water in the system', 'litres', { over: 0, max: 1e7 }),
    fluid: optional(choice('Liquid', fluids, { default: 'water' })),
    volumePercent: optional(number('Share by volume', 'percent', { min: 0, max: 100, default: 0 })),
    coldC: temperature('Filled at', { min: -60, max: 100 }),
    hotC: temperature('Hottest', { min: -60, max: 100 }),
    chargeKpa: number('Charge of its gas, over the air around', 'kilopascals', { min: 0, max: 1e5 }),
    limitKpa: number('It may reach, over the air around', 'kilopascals', {
      over: 0,
      max: 1e5,
      hint: '10 % under the relief valve',
    }),
    reservePercent: optional(number('Held in it cold, of the system', 'percent', { min: 0, max: 50, default: 0 })),
  },
  outputs: {
    vesselL: nullable(number('Vessel', 'litres')),
    expandedL: number('Grows by', 'litres'),
    acceptance: nullable(number('Of the vessel can be filled', 'factor')),
    reason: optional(
      choice('Reason', ['does-not-expand', 'no-room'], {
        says: {
          'does-not-expand': 'it does not grow between these temperatures',
          'no-room': 'the charge stands at the limit already',
        },
      }),
    ),
  },
  formula:
    'grows V (ρ cold/ρ hot − 1); acceptance = (limit − charge)/(limit + 101.325 kPa); vessel = (grows + reserve)/acceptance',
  source: 'Boyle’s law at one temperature of the gas; reserve as in EN 12828',
  cautions: [
    'Water under pressure: drain and prove without pressure before a vessel is opened. The relief valve stays; a vessel is no way round it.',
  ],
  examples: [
    {
      given: { systemL: 200, coldC: 10, hotC: 80, chargeKpa: 100, limitKpa: 270 },
      gives: { expandedL: 5.7440394, acceptance: 0.45781997, vesselL: 12.5465024 },
      source: 'by hand: 999.7/971.79; 170/371.325',
    },
    {
      given: { systemL: 100, coldC: 10, hotC: 60, chargeKpa: 75, limitKpa: 225, reservePercent: 1 },
      gives: { expandedL: 1.6781937, vesselL: 5.8264103 },
      source: 'by hand: (1.678 + 1)/0.45966',
    },
    {
      given: { systemL: 100, coldC: 10, hotC: 60, chargeKpa: 225, limitKpa: 225 },
      gives: { vesselL: null, acceptance: null, reason: 'no-room' },
      source: 'by hand: nothing is left between charge and limit',
    },
  ],
  run: ({ fluid = 'water', volumePercent = 0, coldC, hotC, ...rest }, { fluids: tables }) =>
    vesselSize({
      ...rest,
      coldKgPerM3: brineProperties(fluid, volumePercent, coldC, tables).densityKgPerM3,
      hotKgPerM3: brineProperties(fluid, volumePercent, hotC, tables).densityKgPerM3,
    }),
})

interface LmtdInput {
  hotInC: number
  hotOutC: number
  coldInC: number
  coldOutC: number
  flow: ExchangerFlow
}

export const heatLmtd = defineCalculation<LmtdInput>({
  id: 'heat.lmtd',
  title: 'Mean difference of a heat exchanger',
  find: 'lmtd log mean temperature difference plate heat exchanger approach counterflow',
  inputs: {
    hotInC: temperature('Hot side in'),
    hotOutC: temperature('Hot side out'),
    coldInC: temperature('Cold side in'),
    coldOutC: temperature('Cold side out'),
    flow: choice('They run', exchangerFlows, { says: { counter: 'against each other', parallel: 'the same way' } }),
  },
  outputs: { lmtdK: difference('Mean difference') },
  formula: '(a − b)/ln(a/b) of the differences at both ends; where they are equal, that',
  source: 'heat exchanger, textbook',
  examples: [
    {
      given: { hotInC: 70, hotOutC: 50, coldInC: 20, coldOutC: 40, flow: 'counter' },
      gives: { lmtdK: 30 },
      source: 'by hand: both ends 30 K',
    },
    {
      given: { hotInC: 70, hotOutC: 50, coldInC: 30, coldOutC: 40, flow: 'counter' },
      gives: { lmtdK: 24.6630346 },
      source: 'by hand: (30 − 20)/ln 1.5',
    },
    {
      given: { hotInC: 70, hotOutC: 50, coldInC: 20, coldOutC: 40, flow: 'parallel' },
      gives: { lmtdK: 24.8533974 },
      source: 'by hand: (50 − 10)/ln 5',
    },
  ],
  run: ({ flow, ...ends }) => ({ lmtdK: meanDifference(ends, flow) }),
  picture: ({ hotInC, hotOutC, coldInC, coldOutC, flow }) => ({
    kind: 'lines',
    x: { title: 'Along it', quantity: 'percent' },
    y: { title: 'Temperature', quantity: 'temperature' },
    lines: [
      {
        title: 'hot',
        look: 'main',
        points: [
          [0, hotInC],
          [100, hotOutC],
        ],
      },
      {
        title: 'cold',
        look: 'other',
        points: [
          [0, flow === 'counter' ? coldOutC : coldInC],
          [100, flow === 'counter' ? coldInC : coldOutC],
        ],
      },
    ],
    spots: [],
  }),
})

interface FreshAirInput {
  people: number
  lPerHEach?: number
  outdoorPpm?: number
  targetPpm: number
}

export const ventCo2 = defineCalculation<FreshAirInput>({
  id: 'vent.co2',
  title: 'Fresh air for people',
  find: 'ventilation co2 ppm people room classroom fresh air cfm per person',
  inputs: {
    people: number('People', 'count', { min: 0, max: 100_000 }),
    lPerHEach: optional(
      number('Each gives off', 'breath', {
        over: 0,
        max: 1000,
        default: 18,
        hint: 'At rest; at work two to three times',
      }),
    ),
    outdoorPpm: optional(number('Outdoors', 'ppm', { min: 0, max: 100_000, default: 420 })),
    targetPpm: number('Not over', 'ppm', { over: 0, max: 100_000 }),
  },
  outputs: {
    flowM3PerH: nullable(number('Fresh air', 'airFlow')),
    reason: optional(
      choice('Reason', ['no-cleaner'], { says: { 'no-cleaner': 'air from outdoors is no cleaner than that' } }),
    ),
  },
  formula: 'V = people · gives off · 1000/(not over − outdoors)',
  source: 'balance of carbon dioxide in a room that is well mixed',
  cautions: ['For comfort only: carbon monoxide, fuel rooms and animals have rules of their own.'],
  examples: [
    { given: { people: 4, targetPpm: 1000 }, gives: { flowM3PerH: 124.137931 }, source: 'by hand: 72 000/580' },
    { given: { people: 30, targetPpm: 1200 }, gives: { flowM3PerH: 692.307692 }, source: 'by hand: 540 000/780' },
    {
      given: { people: 10, lPerHEach: 25, outdoorPpm: 400, targetPpm: 800 },
      gives: { flowM3PerH: 625 },
      source: 'by hand: 250 000/400',
    },
    {
      given: { people: 4, targetPpm: 400 },
      gives: { flowM3PerH: null, reason: 'no-cleaner' },
      source: 'by hand: outdoors is 420',
    },
  ],
  run: ({ people, lPerHEach = 18, outdoorPpm = 420, targetPpm }) => {
    const flowM3PerH = freshAir(people, lPerHEach, outdoorPpm, targetPpm)
    return flowM3PerH === undefined ? { flowM3PerH: null, reason: 'no-cleaner' } : { flowM3PerH }
  },
  picture: ({ people, lPerHEach = 18, outdoorPpm = 420, targetPpm }, { flowM3PerH }) =>
    typeof flowM3PerH === 'number'
      ? {
          kind: 'lines',
          x: { title: 'Not over', quantity: 'ppm' },
          y: { title: 'Fresh air', quantity: 'airFlow' },
          lines: [
            {
              title: 'Fresh air',
              look: 'main',
              points: evenly(outdoorPpm + (targetPpm - outdoorPpm) / 3, targetPpm * 2, 61).map((ppm): Spot => [
                ppm,
                freshAir(people, lPerHEach, outdoorPpm, ppm)!,
              ]),
            },
          ],
          spots: [{ title: 'Here', at: [targetPpm, flowM3PerH] }],
        }
      : null,
})

const QUALITY = 45

export const heatpumpCop = defineCalculation<{ sourceC: number; supplyC: number; qualityPercent?: number }>({
  id: 'heatpump.cop',
  title: 'Heat pump efficiency',
  find: 'cop coefficient of performance heat pump carnot supply temperature source',
  inputs: {
    sourceC: temperature('Source', { min: -80, max: 200 }),
    supplyC: temperature('Supply', { min: -80, max: 200 }),
    qualityPercent: optional(number('Of the ideal', 'percent', { over: 0, max: 100, default: QUALITY })),
  },
  outputs: {
    cop: nullable(number('Gives for each watt', 'factor')),
    carnot: nullable(number('The ideal would give', 'factor')),
    reason: optional(
      choice('Reason', ['no-lift'], { says: { 'no-lift': 'it lifts nothing: no heat pump is needed' } }),
    ),
  },
  formula: 'ideal = T hot/(T hot − T cold) in kelvin, times its share of it',
  source: 'second law; 40 to 50 % of the ideal are usual',
  cautions: ['The refrigerant circuit is for certified people.'],
  examples: [
    {
      given: { sourceC: 0, supplyC: 35 },
      gives: { carnot: 8.8042857, cop: 3.9619286 },
      source: 'by hand: 308.15/35 × 0.45',
    },
    {
      given: { sourceC: -7, supplyC: 55 },
      gives: { carnot: 5.2927419, cop: 2.3817339 },
      source: 'by hand: 328.15/62 × 0.45',
    },
    {
      given: { sourceC: 0, supplyC: 45, qualityPercent: 50 },
      gives: { cop: 3.535 },
      source: 'by hand: 318.15/45 × 0.5',
    },
    {
      given: { sourceC: 20, supplyC: 20 },
      gives: { cop: null, carnot: null, reason: 'no-lift' },
      source: 'by hand: nothing is lifted',
    },
  ],
  run: ({ sourceC, supplyC, qualityPercent = QUALITY }) =>
    heatPumpEfficiency(sourceC, supplyC, qualityPercent) ?? { cop: null, carnot: null, reason: 'no-lift' },
  picture: ({ sourceC, supplyC, qualityPercent = QUALITY }, { cop }) =>
    typeof cop === 'number'
      ? {
          kind: 'lines',
          x: { title: 'Supply', quantity: 'temperature' },
          y: { title: 'Gives for each watt', quantity: 'factor' },
          lines: [
            {
              title: 'Gives for each watt',
              look: 'main',
              points: evenly(
                sourceC + Math.max(5, (supplyC - sourceC) / 2),
                supplyC + Math.max(10, (supplyC - sourceC) / 2),
                61,
              ).map((c): Spot => [c, heatPumpEfficiency(sourceC, c, qualityPercent)!.cop]),
            },
          ],
          spots: [{ title: 'Here', at: [supplyC, cop] }],
        }
      : null,
})
