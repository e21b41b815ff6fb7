import { type ResetLine, resetLine, resetRatio } from '../../settings/reset/law/resetLine'
import { resetSaving, type ResetSavingInput, usualDewPointC } from '../../settings/reset/law/resetSaving'
import { emitterModels, emitterNeed, type EmitterInput } from '../../plant/emitterCurve'
import { figure } from '../../words/words'
import { defineCalculation } from '../calculation'
import { difference, loss, temperature } from '../commonFields'
import { choice, type Fields, list, nullable, number, optional, text } from '../field'
import { evenly, type Spot } from '../picture'

const line: Fields = {
  designOutdoorC: temperature('Design outdoor'),
  designSupplyC: temperature('Design supply'),
  warmOutdoorC: temperature('Warm outdoor'),
  warmSupplyC: temperature('Warm supply'),
  minimumSupplyC: optional(temperature('Supply never under')),
  maximumSupplyC: optional(temperature('Supply never over')),
  shutdownAboveC: optional(temperature('Shut down above')),
  frostBelowC: optional(temperature('Frost below')),
  frostSupplyC: optional(temperature('Frost supply at least')),
}

const lineOf = (input: ResetLine, from: number, to: number): readonly Spot[] => {
  const at = resetLine(input)
  return evenly(from, to, 121).flatMap((outdoor): Spot[] => {
    const supply = at(outdoor)
    return supply === null ? [] : [[outdoor, supply]]
  })
}

const radiators = { designOutdoorC: -10, designSupplyC: 70, warmOutdoorC: 20, warmSupplyC: 25 }

export const resetSupply = defineCalculation<ResetLine & { outdoorC: number }>({
  id: 'reset.supply',
  title: 'Supply by outdoor reset',
  find: 'outdoor reset weather compensation heating curve line ratio supply temperature boiler water warm weather shutdown',
  inputs: { outdoorC: temperature('Outdoor'), ...line },
  outputs: {
    supplyC: nullable(temperature('Supply')),
    ratio: number('Ratio', 'factor', {
      hint: 'Kelvin of supply a kelvin of outdoor, positive when it rises as it gets colder',
    }),
    reason: optional(choice('Reason', ['warm-weather'], { says: { 'warm-weather': 'shut down for warm weather' } })),
  },
  formula:
    'straight between the two points, level beyond both, held between never under and never over; frost stands above the warm-weather shut-down, the highest supply above all',
  source: 'definition; points by field data reset.*',
  cautions: ['A reset line never governs stored hot water. Floors keep a limiter of their own on the supply.'],
  examples: [
    {
      given: { outdoorC: 5, ...radiators },
      gives: { supplyC: 47.5, ratio: 1.5 },
      source: 'by hand: 70 − 1.5 × 15',
    },
    {
      given: { outdoorC: 18, ...radiators, shutdownAboveC: 16 },
      gives: { supplyC: null, reason: 'warm-weather', ratio: 1.5 },
      source: 'by hand: 18 is over 16',
    },
    {
      given: { outdoorC: -25, ...radiators, maximumSupplyC: 65 },
      gives: { supplyC: 65 },
      source: 'by hand: level at 70 beyond the design point, held at 65',
    },
    {
      given: { outdoorC: 1, ...radiators, shutdownAboveC: -5, frostBelowC: 2, frostSupplyC: 30 },
      gives: { supplyC: 53.5 },
      source: 'by hand: frost stands above the shut-down, and the line asks for 70 − 1.5 × 11',
    },
  ],
  run: ({ outdoorC, ...given }) => {
    const supplyC = resetLine(given)(outdoorC)
    return { supplyC, ratio: resetRatio(given), ...(supplyC === null ? { reason: 'warm-weather' } : {}) }
  },
  picture: ({ outdoorC, ...given }, { supplyC }) => {
    const [from, to] = [Math.min(given.designOutdoorC, outdoorC) - 5, Math.max(given.warmOutdoorC, outdoorC) + 5]
    return {
      kind: 'lines',
      x: { title: 'Outdoor', quantity: 'temperature' },
      y: { title: 'Supply', quantity: 'temperature' },
      lines: [{ title: 'Reset line', look: 'main', points: lineOf(given, from, to) }],
      spots: typeof supplyC === 'number' ? [{ title: 'Here', at: [outdoorC, supplyC] }] : [],
    }
  },
})

const oldRadiators = { designOutdoorC: -10, designSupplyC: 70, designDropK: 15, roomC: 20, exponent: 1.3 }

export const resetEmitter = defineCalculation<EmitterInput>({
  id: 'reset.emitter',
  title: 'Supply that an emitter needs',
  find: 'radiator floor emitter curve exponent part load return temperature supply needed heating curve bend',
  inputs: {
    outdoorC: temperature('Outdoor'),
    designOutdoorC: temperature('Design outdoor'),
    designSupplyC: temperature('Design supply'),
    designDropK: difference('Design drop', { min: 0 }),
    roomC: temperature('Room'),
    exponent: number('Exponent', 'factor', {
      over: 0,
      max: 3,
      symbol: 'n',
      hint: 'Radiator 1.3, floor 1.1, convector 1.4 (field data n.*)',
    }),
    model: optional(
      choice('Drop', emitterModels, {
        default: 'load-drop',
        says: {
          'load-drop': 'falls with the load (constant flow)',
          'fixed-drop': 'stays',
          'supply-excess': 'supply counts, not the mean',
        },
      }),
    ),
  },
  outputs: {
    supplyC: nullable(temperature('Supply')),
    returnC: nullable(temperature('Return')),
    meanC: nullable(temperature('Mean')),
    loadFraction: number('Load', 'factor'),
    reason: optional(choice('Reason', ['no-load'], { says: { 'no-load': 'the room needs no heat' } })),
    caution: optional(text('Caution', { longest: 2000 })),
  },
  formula:
    'φ = (room − outdoor)/(room − design); mean excess × φ^(1/n), drop × φ; fixed drop: the drop stays; supply excess: supply excess × φ^(1/n)',
  source: 'output ∝ excess^n: EN 442 (radiators), EN 1264 (floors)',
  examples: [
    {
      given: { outdoorC: 5, ...oldRadiators },
      gives: { loadFraction: 0.5, supplyC: 48.68603, returnC: 41.18603, meanC: 44.93603 },
      source: 'by hand: 20 + 42.5 × 0.5^(1/1.3), ± 3.75',
    },
    {
      given: { outdoorC: 5, ...oldRadiators, model: 'fixed-drop' },
      gives: { supplyC: 52.43603, returnC: 37.43603 },
      source: 'by hand: the same mean, ± 7.5',
    },
    {
      given: { outdoorC: 5, ...oldRadiators, model: 'supply-excess' },
      gives: { supplyC: 49.33651, returnC: 41.83651 },
      source: 'by hand: 20 + 50 × 0.5^(1/1.3), less 7.5',
    },
    {
      given: { outdoorC: 22, ...oldRadiators },
      gives: { supplyC: null, reason: 'no-load' },
      source: 'by hand: it is warmer outside than in',
    },
  ],
  run: (input) => {
    const need = emitterNeed(input)
    if (!need) {
      const { roomC, outdoorC, designOutdoorC } = input
      const loadFraction = (roomC - outdoorC) / (roomC - designOutdoorC)
      return { loadFraction, supplyC: null, returnC: null, meanC: null, reason: 'no-load' }
    }
    return need.returnC < input.roomC
      ? {
          ...need,
          caution: `The return falls to ${figure(need.returnC, 'C')}, under the room: the drop is too large for this load.`,
        }
      : need
  },
  picture: (input, { supplyC }) => {
    const outdoors = evenly(input.designOutdoorC, input.roomC - 0.01, 81)
    const needs = outdoors.map((outdoorC) => [outdoorC, emitterNeed({ ...input, outdoorC })] as const)
    const points = (of: 'supplyC' | 'returnC') =>
      needs.flatMap(([outdoor, need]): Spot[] => (need ? [[outdoor, need[of]]] : []))
    return {
      kind: 'lines',
      x: { title: 'Outdoor', quantity: 'temperature' },
      y: { title: 'Water', quantity: 'temperature' },
      lines: [
        { title: 'Supply', look: 'main', points: points('supplyC') },
        { title: 'Return', look: 'other', points: points('returnC') },
      ],
      spots: typeof supplyC === 'number' ? [{ title: 'Here', at: [input.outdoorC, supplyC] }] : [],
    }
  },
})

const season = {
  hourlyOutdoorC: [-10, 5, 12, 25],
  roomC: 20,
  lossWPerK: 200,
  fixedSupplyC: 70,
  ...radiators,
  pipeLossWPerK: 10,
  pipeAmbientC: 15,
  efficiency: [
    [30, 96],
    [60, 88],
  ],
  dropK: 10,
}

const mild = {
  roomC: 20,
  lossWPerK: 100,
  fixedSupplyC: 60,
  designOutdoorC: -10,
  designSupplyC: 60,
  warmOutdoorC: 20,
  warmSupplyC: 20,
  pipeLossWPerK: 5,
  pipeAmbientC: 10,
  efficiency: [[20, 95]],
  dropK: 10,
}

export const resetSavingEntry = defineCalculation<ResetSavingInput>({
  id: 'reset.saving',
  title: 'What a reset saves over a season',
  find: 'saving energy kwh condensing hours fixed supply against outdoor reset season payback',
  inputs: {
    hourlyOutdoorC: list('Outdoor, hour by hour', temperature('Outdoor', { min: -90, max: 70 }), {
      least: 1,
      most: 9000,
    }),
    roomC: temperature('Room'),
    lossWPerK: loss,
    fixedSupplyC: temperature('Fixed supply'),
    ...line,
    pipeLossWPerK: number('Pipe loss', 'loss', { min: 0 }),
    pipeAmbientC: temperature('Around the pipe'),
    efficiency: list(
      'Efficiency over return',
      {
        type: 'tuple',
        title: 'Point',
        items: [temperature('Return'), number('Efficiency', 'percent', { over: 0, max: 120 })],
      },
      { least: 1, most: 50 },
    ),
    dropK: difference('Supply to return', { min: 0 }),
    designDayC: optional(
      temperature('Full drop at', { hint: 'Outdoor temperature of the full load: the drop then goes with the load' }),
    ),
    dewPointC: optional(temperature('Condenses under', { default: usualDewPointC })),
  },
  outputs: {
    savingPercent: nullable(number('Saves', 'percent')),
    fixedKwh: number('Fixed supply takes', 'energy'),
    resetKwh: number('Reset takes', 'energy'),
    hoursCondensing: number('Hours condensing', 'hours'),
    hoursCondensingFixed: number('Hours condensing, fixed', 'hours'),
    hoursHeating: number('Hours with a load', 'hours'),
    hoursShutDown: number('Hours shut down with a load', 'hours'),
  },
  formula:
    'each hour with room > outdoor: (H (room − outdoor) + pipe loss × (supply − drop/2 − around))/efficiency(supply − drop); with a day of full load: drop × (room − outdoor)/(room − that day); the pipe never gains; hours shut down take nothing and count as nothing saved',
  source: 'heat balance; dew point by field data return.cond',
  cautions: ['The losses are estimates: take the saving as a range, a third either way.'],
  examples: [
    {
      given: season,
      gives: { fixedKwh: 13.75, resetKwh: 12.714156, savingPercent: 7.53341, hoursCondensing: 2 },
      source: 'by hand: 12100/0.88 W h; 6500/0.88 + 3275/0.94 + 1770/0.96 W h; the warm hour does not count',
    },
    {
      given: { ...mild, hourlyOutdoorC: Array.from({ length: 10 }, () => 0) },
      gives: { fixedKwh: 23.421053, resetKwh: 22.719298, savingPercent: 2.996255, hoursCondensing: 10 },
      source: 'by hand: 10 × (2000 + 225)/0.95 and 10 × (2000 + 158.33)/0.95',
    },
    {
      given: { ...mild, hourlyOutdoorC: Array.from({ length: 10 }, () => 0), designDayC: -20 },
      gives: { fixedKwh: 23.552632, resetKwh: 22.850877, hoursCondensing: 10 },
      source: 'by hand: half load, drop 5 K: 10 × (2000 + 237.5)/0.95 and 10 × (2000 + 170.83)/0.95',
    },
    {
      given: { ...mild, hourlyOutdoorC: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 18, 18, 18, 18, 18], shutdownAboveC: 16 },
      gives: { fixedKwh: 23.421053, resetKwh: 22.719298, savingPercent: 2.996255, hoursShutDown: 5 },
      source: 'by hand: as before; the five warm hours are shut down, and not saved',
    },
  ],
  run: resetSaving,
  picture: (input) => {
    const coldest = input.hourlyOutdoorC.reduce((a, b) => Math.min(a, b))
    const warmest = input.hourlyOutdoorC.reduce((a, b) => Math.max(a, b))
    if (coldest === warmest) return null
    return {
      kind: 'lines',
      x: { title: 'Outdoor', quantity: 'temperature' },
      y: { title: 'Supply', quantity: 'temperature' },
      lines: [
        { title: 'Reset line', look: 'main', points: lineOf(input, coldest, warmest) },
        {
          title: 'Fixed',
          look: 'other',
          points: [
            [coldest, input.fixedSupplyC],
            [warmest, input.fixedSupplyC],
          ],
        },
      ],
      spots: [],
    }
  },
})
