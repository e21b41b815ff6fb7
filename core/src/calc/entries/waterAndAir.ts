import { airSensible } from '../../plant/airSensible'
import { brineProperties, type Fluid, fluids } from '../../plant/brine'
import { moistAir, moistAirRange, STANDARD_PRESSURE_PA } from '../../plant/moistAir'
import { poolEvaporation, type PoolLossInput } from '../../plant/poolEvaporation'
import { type HeatUpInput, type Liquid, waterCoolDown, waterHeaterW, waterHeatUp } from '../../plant/water'
import { figure } from '../../words/words'
import { defineCalculation } from '../calculation'
import { density, difference, loss, specificHeat, temperature } from '../commonFields'
import { choice, type Fields, nullable, number, optional, text } from '../field'
import { evenly, type Spot } from '../picture'

const volume = number('Volume', 'volume', { over: 0, max: 1e9, symbol: 'V' })
const ambient = temperature('Around it')
const liquid: Fields = { densityKgPerM3: optional(density), specificHeatJPerKgK: optional(specificHeat) }
const heatUpReasons = choice('Reason', ['stops-short', 'never-warms'], {
  says: {
    'stops-short': 'it comes to rest before it gets there',
    'never-warms': 'the loss takes all the power: it does not warm at all',
  },
})

const seal = { volumeM3: 60, fromC: 20, toC: 26, lossWPerK: 1500, ambientC: 12 }

export const waterHeatUpEntry = defineCalculation<HeatUpInput>({
  id: 'water.heatUp',
  title: 'How long to heat water',
  find: 'how long to heat pool tank buffer hours warm up time heater kw never gets warm',
  inputs: {
    volumeM3: volume,
    fromC: temperature('From'),
    toC: temperature('To'),
    powerW: number('Power', 'power', { min: 0, symbol: 'P' }),
    lossWPerK: loss,
    ambientC: ambient,
    constantLossW: optional(
      number('Constant loss', 'power', {
        default: 0,
        hint: 'Evaporation or fresh water that does not follow the temperature',
      }),
    ),
    ...liquid,
  },
  outputs: {
    hours: nullable(number('Takes', 'hours')),
    settlesC: nullable(temperature('Would settle at', { hint: 'None: it would rise for ever' })),
    reason: optional(heatUpReasons),
  },
  formula:
    't = τ ln((rest − from)/(rest − to)), τ = V ρ c/H, rest = around + (P − constant)/H; with no loss V ρ c ΔT/(P − constant)',
  source: 'heat balance, closed form; water 998.2 kg/m³, 4182 J/kgK',
  cautions: [
    'Stored hot water between {20 C} and {50 C} needs a plan against Legionella. A heater needs a limiter of its own.',
  ],
  examples: [
    {
      given: { ...seal, powerW: 36_000 },
      gives: { hours: 21.80019, settlesC: 36 },
      source: 'by hand: 46.3830 h × ln(16/10)',
    },
    {
      given: { ...seal, powerW: 20_000 },
      gives: { hours: null, settlesC: 25.333333, reason: 'stops-short' },
      source: 'by hand: 12 + 20000/1500 is under 26',
    },
    {
      given: { volumeM3: 1, fromC: 10, toC: 60, powerW: 3000, lossWPerK: 0, ambientC: 20 },
      gives: { hours: 19.326261, settlesC: null },
      source: 'by hand: 998.2 × 4182 × 50/3000 s',
    },
    {
      given: { volumeM3: 0.2, fromC: 15, toC: 40, powerW: 2000, lossWPerK: 5, ambientC: 20, constantLossW: 200 },
      gives: { hours: 3.290956 },
      source: 'by hand: 46.3830 h × ln(365/340) with 0.2 m³ and 5 W/K',
    },
  ],
  run: waterHeatUp,
  picture: (input, { hours, settlesC }) => {
    const end = typeof hours === 'number' && hours > 0 ? hours * 1.2 : 48
    const rise = (h: number): number => {
      const { volumeM3, fromC, lossWPerK, ambientC } = input
      const rest = typeof settlesC === 'number' ? settlesC : null
      if (rest === null)
        return fromC + (input.toC - fromC) * (h / (typeof hours === 'number' && hours > 0 ? hours : 48))
      const stood = waterCoolDown({ ...input, volumeM3, fromC: fromC - rest + ambientC, hours: h, lossWPerK, ambientC })
      return stood.temperatureC - ambientC + rest
    }
    return {
      kind: 'lines',
      x: { title: 'Time', quantity: 'hours' },
      y: { title: 'Water', quantity: 'temperature' },
      lines: [{ title: 'Water', look: 'main', points: evenly(0, end, 81).map((h): Spot => [h, rise(h)]) }],
      spots:
        typeof hours === 'number'
          ? [{ title: 'There', at: [hours, Math.max(input.toC, Math.min(input.fromC, input.toC))] }]
          : [],
      across: [{ title: 'wanted', at: input.toC }],
    }
  },
})

export const waterHeaterSize = defineCalculation<Omit<HeatUpInput, 'powerW' | 'constantLossW'> & { hours: number }>({
  id: 'water.heaterSize',
  title: 'Heater for a time',
  find: 'how big a heater kw pool tank within hours size',
  inputs: {
    volumeM3: volume,
    fromC: temperature('From'),
    toC: temperature('To'),
    hours: number('Within', 'hours', { over: 0, max: 1e5 }),
    lossWPerK: loss,
    ambientC: ambient,
    ...liquid,
  },
  outputs: { powerW: number('Power', 'power') },
  formula: 'rest = (to − from e^(−t/τ))/(1 − e^(−t/τ)), P = H (rest − around): exact, the loss rises on the way',
  source: 'water.heatUp turned round',
  cautions: [
    'Mains or fuel at a pool or tank is licensed work, with a limiter, flow proof and a 30 mA residual-current device (US: Class A).',
  ],
  examples: [
    { given: { ...seal, hours: 24 }, gives: { powerW: 34_279.99 }, source: 'by hand: bisection of the heat balance' },
    {
      given: { volumeM3: 1, fromC: 10, toC: 60, hours: 10, lossWPerK: 2, ambientC: 20 },
      gives: { powerW: 5828.022 },
      source: 'by hand: bisection of the heat balance',
    },
    {
      given: { volumeM3: 1, fromC: 10, toC: 60, hours: 10, lossWPerK: 0, ambientC: 20 },
      gives: { powerW: 5797.8783 },
      source: 'by hand: 998.2 × 4182 × 50/36000',
    },
  ],
  run: (input) => ({ powerW: waterHeaterW(input) }),
  picture: (input, { powerW }) => ({
    kind: 'lines',
    x: { title: 'Within', quantity: 'hours' },
    y: { title: 'Power', quantity: 'power' },
    lines: [
      {
        title: 'Power',
        look: 'main',
        points: evenly(input.hours / 3, input.hours * 3, 61).map((hours): Spot => [
          hours,
          waterHeaterW({ ...input, hours }),
        ]),
      },
    ],
    spots: [{ title: 'Here', at: [input.hours, powerW as number] }],
  }),
})

interface CoolDown extends Liquid {
  volumeM3: number
  fromC: number
  hours: number
  lossWPerK: number
  ambientC: number
}

export const waterCoolDownEntry = defineCalculation<CoolDown>({
  id: 'water.coolDown',
  title: 'How far water cools',
  find: 'cool down overnight heater off pool tank temperature drop hours loss',
  inputs: {
    volumeM3: volume,
    fromC: temperature('From'),
    hours: number('After', 'hours', { min: 0, max: 1e6 }),
    lossWPerK: loss,
    ambientC: ambient,
    ...liquid,
  },
  outputs: { temperatureC: temperature('Then'), dropK: difference('Fallen by') },
  formula: 'T = around + (from − around) e^(−t H/(V ρ c))',
  source: 'heat balance, closed form',
  examples: [
    {
      given: { volumeM3: 60, fromC: 26, hours: 12, lossWPerK: 1500, ambientC: 12 },
      gives: { temperatureC: 22.808599, dropK: 3.191401 },
      source: 'by hand: 12 + 14 e^(−12/46.3830)',
    },
    {
      given: { volumeM3: 1, fromC: 60, hours: 10, lossWPerK: 2, ambientC: 20 },
      gives: { temperatureC: 59.316008 },
      source: 'by hand: 20 + 40 e^(−72000/4174472)',
    },
    {
      given: {
        volumeM3: 0.5,
        fromC: 40,
        hours: 24,
        lossWPerK: 10,
        ambientC: 5,
        densityKgPerM3: 1030,
        specificHeatJPerKgK: 3900,
      },
      gives: { temperatureC: 27.763904 },
      source: 'by hand: 5 + 35 e^(−864000/2008500)',
    },
  ],
  run: waterCoolDown,
  picture: (input, { temperatureC }) =>
    input.hours === 0
      ? null
      : {
          kind: 'lines',
          x: { title: 'Time', quantity: 'hours' },
          y: { title: 'Water', quantity: 'temperature' },
          lines: [
            {
              title: 'Water',
              look: 'main',
              points: evenly(0, input.hours * 1.5, 61).map((hours): Spot => [
                hours,
                waterCoolDown({ ...input, hours }).temperatureC,
              ]),
            },
          ],
          spots: [{ title: 'Then', at: [input.hours, temperatureC as number] }],
        },
})

export const poolEvaporationEntry = defineCalculation<PoolLossInput>({
  id: 'pool.evaporation',
  title: 'Heat that open water loses',
  find: 'pool evaporation loss cover wind humidity kg per hour heating load',
  inputs: {
    areaM2: number('Water surface', 'area', { over: 0, max: 1e7, symbol: 'A' }),
    waterC: temperature('Water', { min: 0, max: 100 }),
    airC: temperature('Air', { min: -60, max: 80 }),
    humidityPercent: number('Humidity of the air', 'percent', { min: 0, max: 100 }),
    windMPerS: number('Wind over the water', 'speed', {
      min: 0,
      max: 60,
      symbol: 'v',
      hint: 'Outdoors sheltered 1, a hall 0.1',
    }),
    activity: optional(
      number('Activity', 'factor', {
        min: 0,
        max: 10,
        default: 1,
        hint: 'Private 0.5, therapy 0.65, hotel 0.8, public 1; a cover leaves about 0.1',
      }),
    ),
  },
  outputs: {
    totalW: number('Together', 'power'),
    kgPerH: number('Evaporates', 'massFlow'),
    evaporationW: number('By evaporation', 'power'),
    convectionW: number('By convection and radiation', 'power', { hint: 'Under 0 when the air warms the water' }),
  },
  formula:
    'm = A (p_w − p_a)(0.089 + 0.0782 v)/Y kg/s, p in kPa, Y = 2501 − 2.36 t kJ/kg, × activity, never under 0; convection and radiation (5 + 3.1 + 4.1 v) A (water − air)',
  source: 'ASHRAE form; field data pool.evap, pool.hc; vapour pressures by Hyland and Wexler',
  examples: [
    {
      given: { areaM2: 1, waterC: 26, airC: 18, humidityPercent: 60, windMPerS: 1 },
      gives: { evaporationW: 355.226, convectionW: 97.6, kgPerH: 0.524181 },
      source: 'by hand: (3.3633 − 0.6 × 2.0647) × 0.1672 kW; field data pool.evap.out: 350',
    },
    {
      given: { areaM2: 1, waterC: 26, airC: 26, humidityPercent: 50, windMPerS: 1 },
      gives: { evaporationW: 281.158, convectionW: 0, totalW: 281.158 },
      source: 'by hand: half of 3.3633 × 0.1672 kW; field data pool.evap.equal: 280',
    },
    {
      given: { areaM2: 50, waterC: 28, airC: 30, humidityPercent: 55, windMPerS: 0.1, activity: 0.65 },
      gives: { kgPerH: 6.731345, evaporationW: 4552.857, convectionW: -851 },
      source: 'by hand: 50 × 0.65 × (3.7828 − 0.55 × 4.2462) × 0.09682 kW; −17.02 × 50',
    },
  ],
  run: poolEvaporation,
  picture: (input, { evaporationW, convectionW }) => ({
    kind: 'bars',
    value: { title: 'Loss', quantity: 'power' },
    bars: [
      { title: 'evaporation', value: evaporationW as number },
      { title: 'convection, radiation', value: convectionW as number },
    ],
  }),
})

export const brineEntry = defineCalculation<{ fluid: Fluid; volumePercent: number; temperatureC?: number }>({
  id: 'brine.properties',
  title: 'Water and glycol',
  find: 'antifreeze glycol freezing point percent propylene ethylene brine density specific heat chiller',
  inputs: {
    fluid: choice('Liquid', fluids),
    volumePercent: number('Share by volume', 'percent', { min: 0, max: 100 }),
    temperatureC: optional(temperature('At', { min: -60, max: 100, default: 20 })),
  },
  outputs: {
    freezeC: temperature('First ice'),
    densityKgPerM3: number('Density', 'density'),
    specificHeatJPerKgK: number('Specific heat', 'specificHeat'),
  },
  formula: 'handbook rows, a curve that keeps their direction between them; straight over temperature for glycols',
  source:
    'field data pg.*, eg.* (handbook tables) for the first ice; density and specific heat of handbooks, rounded, within about 1 %',
  cautions: [
    'Measure the mixture with a refractometer. Under about 25 % glycol feeds bacteria and corrodes. Ethylene glycol is poisonous.',
  ],
  examples: [
    {
      given: { fluid: 'propylene-glycol', volumePercent: 30 },
      gives: { freezeC: -13 },
      source: 'handbook tables: −13 °C',
    },
    {
      given: { fluid: 'ethylene-glycol', volumePercent: 40 },
      gives: { freezeC: -24 },
      source: 'handbook tables: −24 °C',
    },
    {
      given: { fluid: 'water', volumePercent: 0 },
      gives: { freezeC: 0, densityKgPerM3: 998.2, specificHeatJPerKgK: 4182 },
      source: 'steam tables at 20 °C',
    },
    {
      given: { fluid: 'water', volumePercent: 0, temperatureC: 60 },
      gives: { densityKgPerM3: 983.2, specificHeatJPerKgK: 4185 },
      source: 'steam tables at 60 °C',
    },
  ],
  run: ({ fluid, volumePercent, temperatureC }, { fluids: tables }) =>
    brineProperties(fluid, volumePercent, temperatureC ?? 20, tables),
  picture: ({ fluid, volumePercent }, { freezeC }, { fluids: tables }) => {
    const most = tables.find((each) => each.fluid === fluid)?.freezeC.at(-1)?.[0] ?? 0
    if (most === 0) return null
    return {
      kind: 'lines',
      x: { title: 'Share by volume', quantity: 'percent' },
      y: { title: 'First ice', quantity: 'temperature' },
      lines: [
        {
          title: 'First ice',
          look: 'main',
          points: evenly(0, most, 51).map((share): Spot => [share, brineProperties(fluid, share, 20, tables).freezeC]),
        },
      ],
      spots: [{ title: 'Here', at: [volumePercent, freezeC as number] }],
    }
  },
})

export const airState = defineCalculation<{ temperatureC: number; humidityPercent: number; pressurePa?: number }>({
  id: 'air.state',
  title: 'Moist air and dew point',
  find: 'dew point condensation humidity relative psychrometric saturation pressure chilled surface sweating',
  inputs: {
    temperatureC: temperature('Air', { min: moistAirRange[0], max: moistAirRange[1] }),
    humidityPercent: number('Humidity', 'percent', { min: 0, max: 100 }),
    pressurePa: optional(number('Air pressure', 'pressure', { over: 0, max: 1e8, default: STANDARD_PRESSURE_PA })),
  },
  outputs: {
    dewPointC: nullable(temperature('Dew point')),
    meaning: text('Meaning', { longest: 2000 }),
    saturationPa: number('Saturation pressure', 'pressure'),
    vapourPa: number('Vapour pressure', 'pressure'),
    humidityRatio: nullable(number('Water in dry air', 'humidityRatio')),
    reason: optional(
      choice('Reason', ['dry', 'boils'], {
        says: { dry: 'too dry to have a dew point', boils: 'the vapour alone has the whole pressure: that is steam' },
      }),
    ),
  },
  formula:
    'ln p_s by Hyland and Wexler, over ice under 0 °C; p_v = φ p_s; dew point where p_s = p_v; x = 0.621945 p_v/(p − p_v)',
  source: 'Hyland and Wexler (1983); ASHRAE Fundamentals',
  examples: [
    {
      given: { temperatureC: 20, humidityPercent: 50 },
      gives: { saturationPa: 2338.9, dewPointC: 9.27, humidityRatio: 0.00726 },
      within: { saturationPa: 0.2, dewPointC: 0.02, humidityRatio: 0.00001 },
      source: 'ASHRAE tables: 2338.9 Pa; psychrometric chart: 9.3 °C, 7.26 g/kg',
    },
    {
      given: { temperatureC: 25, humidityPercent: 60 },
      gives: { saturationPa: 3169.2, vapourPa: 1901.5, dewPointC: 16.7 },
      within: { saturationPa: 0.2, vapourPa: 0.2, dewPointC: 0.02 },
      source: 'ASHRAE tables: 3169.2 Pa; psychrometric chart: 16.7 °C',
    },
    {
      given: { temperatureC: -20, humidityPercent: 100 },
      gives: { saturationPa: 103.24, dewPointC: -20 },
      within: { saturationPa: 0.05, dewPointC: 1e-6 },
      source: 'ASHRAE tables over ice: 103.24 Pa; saturated air dews where it is',
    },
    {
      given: { temperatureC: 20, humidityPercent: 0 },
      gives: { dewPointC: null, humidityRatio: 0, reason: 'dry' },
      source: 'by hand: no vapour',
    },
  ],
  run: ({ temperatureC, humidityPercent, pressurePa }) => {
    const state = moistAir(temperatureC, humidityPercent, pressurePa)
    const meaning =
      state.dewPointC === null
        ? 'Nothing condenses.'
        : `Water condenses on what is under ${figure(state.dewPointC, 'C')}; keep chilled surfaces about ${figure(2, 'K', 0)} over it.`
    return { ...state, meaning }
  },
  picture: ({ temperatureC, humidityPercent, pressurePa }, { dewPointC }) => {
    const dew = typeof dewPointC === 'number' ? dewPointC : temperatureC
    const [from, to] = [Math.max(-60, dew - 10), Math.min(99, temperatureC + 15)]
    if (!(from < to)) return null
    const ratio = (t: number, humidity: number) => moistAir(t, humidity, pressurePa).humidityRatio
    const line = (humidity: number) =>
      evenly(from, to, 61).flatMap((t): Spot[] => {
        const x = ratio(t, humidity)
        return x === null || x > 0.2 ? [] : [[t, x]]
      })
    const here = ratio(temperatureC, humidityPercent)
    return {
      kind: 'lines',
      x: { title: 'Air', quantity: 'temperature' },
      y: { title: 'Water in dry air', quantity: 'humidityRatio' },
      lines: [
        { title: 'saturated', look: 'main', points: line(100) },
        { title: '50 %', look: 'other', points: line(50) },
      ],
      spots:
        here === null
          ? []
          : [
              { title: 'Here', at: [temperatureC, here] },
              ...(typeof dewPointC === 'number' ? [{ title: 'dew point', at: [dewPointC, here] as const }] : []),
            ],
    }
  },
})

export const airSensibleEntry = defineCalculation<{
  flowM3PerH: number
  dropK: number
  temperatureC?: number
  pressurePa?: number
}>({
  id: 'air.sensible',
  title: 'Heat that moved air carries',
  find: 'ventilation heat loss fan filter air flow m3/h cfm sensible kw per kelvin',
  inputs: {
    flowM3PerH: number('Air', 'airFlow', { min: 0, max: 1e7 }),
    dropK: difference('Warmer by'),
    temperatureC: optional(temperature('Of the air', { min: -100, max: 200, default: 20 })),
    pressurePa: optional(number('Pressure', 'pressure', { over: 0, max: 1e7, default: STANDARD_PRESSURE_PA })),
  },
  outputs: {
    powerW: number('Carries', 'power'),
    wPerK: number('For each kelvin', 'loss'),
  },
  formula: 'P = ρ cp V ΔT/3600, ρ = p/(287.05 T), cp 1006 J/kgK',
  source: 'dry air as an ideal gas; moisture carries more',
  cautions: ['Rotating fans start by themselves: guard on.'],
  examples: [
    {
      given: { flowM3PerH: 1000, dropK: 10 },
      gives: { powerW: 3364.8417, wPerK: 336.48417 },
      source: 'by hand: 1.20409 kg/m³ × 1006 × 1000/3600 × 10',
    },
    {
      given: { flowM3PerH: 160, dropK: 3 },
      gives: { powerW: 161.5124 },
      source: 'by hand: a filter fan with the hall 3 K under the cabinet',
    },
    {
      given: { flowM3PerH: 1000, dropK: 10, temperatureC: 0, pressurePa: 90_000 },
      gives: { powerW: 3207.5928 },
      source: 'by hand: 1.14784 kg/m³',
    },
  ],
  run: ({ flowM3PerH, dropK, temperatureC, pressurePa }) => airSensible(flowM3PerH, dropK, temperatureC, pressurePa),
})
