import { brineProperties, type Fluid, fluids } from '../../plant/brine'
import { fanLaws } from '../../plant/fanLaws'
import { mixingRatio } from '../../plant/mixingRatio'
import { valveAuthority, valveSize } from '../../plant/valveSize'
import { waterFlow } from '../../plant/waterFlow'
import { defineCalculation } from '../calculation'
import { difference, temperature } from '../commonFields'
import { choice, nullable, number, optional } from '../field'
import { evenly, type Spot } from '../picture'

const flow = number('Flow', 'waterFlow', { min: 0, max: 1e6, symbol: 'Q' })
const drop = (title: string) => number(title, 'kilopascals', { min: 0, max: 1e6, symbol: 'Δp' })

interface FlowInput {
  powerW: number
  dropK: number
  fluid?: Fluid
  volumePercent?: number
  temperatureC?: number
}

export const waterFlowEntry = defineCalculation<FlowInput>({
  id: 'water.flow',
  title: 'Flow for a power and a drop',
  find: 'pump flow gpm m3/h liters per hour delta t kw boiler heat pump circulator glycol',
  inputs: {
    powerW: number('Power', 'power', { min: 0, max: 1e10, symbol: 'P' }),
    dropK: difference('Drop', { min: -1000, max: 1000, symbol: 'ΔT', hint: 'Flow less return' }),
    fluid: optional(choice('Liquid', fluids, { default: 'water' })),
    volumePercent: optional(number('Share by volume', 'percent', { min: 0, max: 100, default: 0 })),
    temperatureC: optional(temperature('At', { min: -60, max: 100, default: 40 })),
  },
  outputs: {
    flowM3PerH: nullable(number('Flow', 'waterFlow')),
    flowGpm: nullable(number('US gallons a minute', 'gallonsPerMinute')),
    reason: optional(choice('Reason', ['no-drop'], { says: { 'no-drop': 'without a drop no flow carries anything' } })),
  },
  formula: 'V = 3600 P/(ρ c ΔT), ρ and c of the liquid at its temperature',
  source: 'heat balance; brine.properties',
  examples: [
    {
      given: { powerW: 10_000, dropK: 10 },
      gives: { flowM3PerH: 0.86820474, flowGpm: 3.82259 },
      source: 'by hand: 36 000 000/(992.22 × 4179 × 10)',
    },
    {
      given: { powerW: 35_000, dropK: 20, temperatureC: 80 },
      gives: { flowM3PerH: 1.54464668 },
      source: 'by hand: 126 000 000/(971.79 × 4197 × 20)',
    },
    {
      given: { powerW: 10_000, dropK: 0 },
      gives: { flowM3PerH: null, flowGpm: null, reason: 'no-drop' },
      source: 'by hand: nothing is carried without a drop',
    },
  ],
  run: ({ powerW, dropK, fluid = 'water', volumePercent = 0, temperatureC = 40 }, { fluids: tables }) =>
    waterFlow(powerW, dropK, brineProperties(fluid, volumePercent, temperatureC, tables)) ?? {
      flowM3PerH: null,
      flowGpm: null,
      reason: 'no-drop',
    },
  picture: (
    { powerW, dropK, fluid = 'water', volumePercent = 0, temperatureC = 40 },
    { flowM3PerH },
    { fluids: tables },
  ) => {
    if (typeof flowM3PerH !== 'number') return null
    const liquid = brineProperties(fluid, volumePercent, temperatureC, tables)
    return {
      kind: 'lines',
      x: { title: 'Drop', quantity: 'difference' },
      y: { title: 'Flow', quantity: 'waterFlow' },
      lines: [
        {
          title: 'Flow',
          look: 'main',
          points: evenly(dropK / 3, dropK * 3, 61).map((k): Spot => [k, waterFlow(powerW, k, liquid)!.flowM3PerH]),
        },
      ],
      spots: [{ title: 'Here', at: [dropK, flowM3PerH] }],
    }
  },
})

export const valveSizeEntry = defineCalculation<{
  flowM3PerH: number
  dropKpa: number
  densityKgPerM3?: number
}>({
  id: 'valve.size',
  title: 'Valve coefficient for a flow',
  find: 'kv cv valve size mixing valve zone valve pressure drop',
  inputs: {
    flowM3PerH: flow,
    dropKpa: number('Drop over the open valve', 'kilopascals', { over: 0, max: 1e6, symbol: 'Δp' }),
    densityKgPerM3: optional(number('Density', 'density', { over: 0, default: 1000, symbol: 'ρ' })),
  },
  outputs: { kv: number('kv', 'factor'), cv: number('cv', 'factor') },
  formula: 'kv = Q √(ρ/1000)/√(Δp/100 kPa), cv = 1.156 kv',
  source: 'definition of kv (IEC 60534): m³/h of water at 1 bar',
  examples: [
    {
      given: { flowM3PerH: 2, dropKpa: 10 },
      gives: { kv: 6.3245553, cv: 7.311186 },
      source: 'by hand: 2/√0.1',
    },
    {
      given: { flowM3PerH: 5, dropKpa: 35 },
      gives: { kv: 8.4515425, cv: 9.7699832 },
      source: 'by hand: 5/√0.35',
    },
    {
      given: { flowM3PerH: 1.5, dropKpa: 20, densityKgPerM3: 1050 },
      gives: { kv: 3.4369318 },
      source: 'by hand: 1.5 √1.05/√0.2',
    },
  ],
  run: ({ flowM3PerH, dropKpa, densityKgPerM3 }) => valveSize(flowM3PerH, dropKpa, densityKgPerM3),
  picture: ({ flowM3PerH, dropKpa, densityKgPerM3 }, { kv }) => ({
    kind: 'lines',
    x: { title: 'Drop over the open valve', quantity: 'kilopascals' },
    y: { title: 'kv', quantity: 'factor' },
    lines: [
      {
        title: 'kv',
        look: 'main',
        points: evenly(dropKpa / 4, dropKpa * 3, 61).map((kpa): Spot => [
          kpa,
          valveSize(flowM3PerH, kpa, densityKgPerM3).kv,
        ]),
      },
    ],
    spots: [{ title: 'Here', at: [dropKpa, kv as number] }],
  }),
})

export const valveAuthorityEntry = defineCalculation<{ valveDropKpa: number; circuitDropKpa: number }>({
  id: 'valve.authority',
  title: 'What a valve can govern',
  find: 'valve authority pressure drop share control valve hunting',
  inputs: { valveDropKpa: drop('Over the valve, open'), circuitDropKpa: drop('Over all else in its circuit') },
  outputs: {
    authority: nullable(number('Authority', 'factor')),
    verdict: optional(
      choice('Verdict', ['fits', 'look-again'], {
        says: { fits: 'it governs', 'look-again': 'under 0.3: most of its travel changes little' },
        tones: { fits: 'fits', 'look-again': 'look' },
      }),
    ),
    reason: optional(choice('Reason', ['no-drop'], { says: { 'no-drop': 'nothing drops at all' } })),
  },
  formula: 'authority = valve/(valve + all else)',
  source: 'practice: 0.3 to 0.7; under 0.3 look again',
  examples: [
    {
      given: { valveDropKpa: 10, circuitDropKpa: 10 },
      gives: { authority: 0.5, verdict: 'fits' },
      source: 'by hand: 10/20',
    },
    {
      given: { valveDropKpa: 3, circuitDropKpa: 12 },
      gives: { authority: 0.2, verdict: 'look-again' },
      source: 'by hand: 3/15',
    },
    {
      given: { valveDropKpa: 0, circuitDropKpa: 0 },
      gives: { authority: null, reason: 'no-drop' },
      source: 'by hand: nothing to share',
    },
  ],
  run: ({ valveDropKpa, circuitDropKpa }) =>
    valveAuthority(valveDropKpa, circuitDropKpa) ?? { authority: null, reason: 'no-drop' },
  picture: ({ valveDropKpa, circuitDropKpa }) => ({
    kind: 'bars',
    value: { title: 'Drop', quantity: 'kilopascals' },
    bars: [
      { title: 'valve', value: valveDropKpa },
      { title: 'all else', value: circuitDropKpa },
    ],
  }),
})

export const fanLawsEntry = defineCalculation<{
  percent: number
  flow?: number
  pressure?: number
  powerW?: number
}>({
  id: 'fan.laws',
  title: 'A fan or pump at part speed',
  find: 'affinity laws fan speed half flow pressure power drive pump saving',
  inputs: {
    percent: number('Speed', 'percent', { min: 0, max: 200, symbol: 'n' }),
    flow: optional(number('Flow at full speed', 'airFlow', { min: 0, max: 1e9 })),
    pressure: optional(number('Pressure at full speed', 'pressure', { min: 0, max: 1e9 })),
    powerW: optional(number('Power at full speed', 'electricPower', { min: 0, max: 1e9 })),
  },
  outputs: {
    flowPercent: number('Flow', 'percent'),
    pressurePercent: number('Pressure', 'percent'),
    powerPercent: number('Power', 'percent'),
    flow: optional(number('Flow there', 'airFlow')),
    pressure: optional(number('Pressure there', 'pressure')),
    powerW: optional(number('Power there', 'electricPower')),
  },
  formula: 'flow n, pressure n², power n³',
  source: 'affinity laws; pumps too, where they lift nothing and only push round',
  cautions: ['Fans start by themselves: guard on. Over full speed ask the maker of fan and motor first.'],
  examples: [
    {
      given: { percent: 50, powerW: 1500 },
      gives: { flowPercent: 50, pressurePercent: 25, powerPercent: 12.5, powerW: 187.5 },
      source: 'by hand: 0.5³ × 1500',
    },
    {
      given: { percent: 80, flow: 2000, pressure: 150, powerW: 370 },
      gives: { flow: 1600, pressure: 96, powerW: 189.44 },
      source: 'by hand: 0.8, 0.64 and 0.512',
    },
    {
      given: { percent: 100, flow: 900 },
      gives: { flow: 900, powerPercent: 100 },
      source: 'by hand: full speed is what it is',
    },
  ],
  run: ({ percent, flow: full, pressure, powerW }) => {
    const shares = fanLaws(percent)
    const of = (whole: number | undefined, share: number) => (whole === undefined ? undefined : (whole * share) / 100)
    const made = {
      flow: of(full, shares.flowPercent),
      pressure: of(pressure, shares.pressurePercent),
      powerW: of(powerW, shares.powerPercent),
    }
    return { ...shares, ...Object.fromEntries(Object.entries(made).filter(([, value]) => value !== undefined)) }
  },
  picture: ({ percent }) => {
    const most = Math.max(100, percent)
    const line = (title: string, of: (laws: ReturnType<typeof fanLaws>) => number, look: 'main' | 'other') => ({
      title,
      look,
      points: evenly(0, most, 51).map((n): Spot => [n, of(fanLaws(n))]),
    })
    return {
      kind: 'lines',
      x: { title: 'Speed', quantity: 'percent' },
      y: { title: 'Of full speed', quantity: 'percent' },
      lines: [
        line('flow', (laws) => laws.flowPercent, 'other'),
        line('pressure', (laws) => laws.pressurePercent, 'other'),
        line('power', (laws) => laws.powerPercent, 'main'),
      ],
      spots: [{ title: 'Power', at: [percent, fanLaws(percent).powerPercent] }],
    }
  },
})

export const mixingRatioEntry = defineCalculation<{ hotC: number; coldC: number; mixedC: number }>({
  id: 'mixing.ratio',
  title: 'Share of hot in a mixing valve',
  find: 'mixing valve ratio hot cold blended temperature three way anti scald',
  inputs: { hotC: temperature('Hot'), coldC: temperature('Cold'), mixedC: temperature('Mixed') },
  outputs: {
    hotPercent: nullable(number('Hot', 'percent')),
    reason: optional(
      choice('Reason', ['colder-than-cold', 'hotter-than-hot', 'no-difference'], {
        says: {
          'colder-than-cold': 'colder than the cold side',
          'hotter-than-hot': 'hotter than the hot side',
          'no-difference': 'the hot side is not hotter than the cold one',
        },
      }),
    ),
  },
  formula: 'hot = (mixed − cold)/(hot − cold)',
  source: 'heat balance of two flows of one liquid',
  cautions: ['Hot water scalds: over {50 C} in seconds. A tap wants a valve that is made to protect from it.'],
  examples: [
    { given: { hotC: 60, coldC: 20, mixedC: 30 }, gives: { hotPercent: 25 }, source: 'by hand: 10/40' },
    { given: { hotC: 70, coldC: 35, mixedC: 42 }, gives: { hotPercent: 20 }, source: 'by hand: 7/35' },
    {
      given: { hotC: 40, coldC: 20, mixedC: 45 },
      gives: { hotPercent: null, reason: 'hotter-than-hot' },
      source: 'by hand: nothing mixes hotter than its hot side',
    },
  ],
  run: ({ hotC, coldC, mixedC }) => mixingRatio(hotC, coldC, mixedC),
  picture: ({ hotC, coldC, mixedC }, { hotPercent }) =>
    typeof hotPercent === 'number'
      ? {
          kind: 'lines',
          x: { title: 'Mixed', quantity: 'temperature' },
          y: { title: 'Hot', quantity: 'percent' },
          lines: [
            {
              title: 'Hot',
              look: 'main',
              points: [
                [coldC, 0],
                [hotC, 100],
              ],
            },
          ],
          spots: [{ title: 'Here', at: [mixedC, hotPercent] }],
        }
      : null,
})
