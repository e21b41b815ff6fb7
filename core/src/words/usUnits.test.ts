import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { parseQuantity, unitsAlong } from '../units/parseQuantity'
import { demoLoops } from '../testing/safetyPage'
import { METRIC_FIGURE } from '../testing/metricFigure'
import { everyText } from '../testing/everyText'

describe('in US units nothing is said in metric ones', () => {
  it.each(
    ['otterholm', 'otterholm-found', 'juniper-hollow', 'otterholm-outpost'].flatMap((file) =>
      demoLoops(file).map((edited) => [`${file}, ${edited.loop.name}`, edited] as const),
    ),
  )('%s', (_, { job, loop }) => {
    const told = everyText({ job: { ...job, temperatureUnit: 'F', system: 'us', practice: 'us' }, loop })
    expect(told.length).toBeGreaterThan(500)
    expect(told.filter(([, text]) => METRIC_FIGURE.test(text))).toEqual([])
    // No figure that is kept as data is told as it is kept.
    expect(told.filter(([, text]) => /\{-?\d/.test(text))).toEqual([])
  })
})

/** The quantity of a unit, for holding both figures of a pair against each other. */
const quantityOf = (unit: string) =>
  (['length', 'airFlow', 'kilopascals', 'power', 'volume'] as const).find((quantity) =>
    unitsAlong(quantity).includes(unit),
  )

describe('both figures of a pair', () => {
  const root = new URL('../../../', import.meta.url)
  const files = ['core/src', 'shelf'].flatMap((folder) =>
    readdirSync(new URL(folder, root), { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.(ts|json)$/.test(name) && !/test\.ts$/.test(name) && !name.includes('node_modules'))
      .map((name) => `${folder}/${name}`),
  )
  const pairs = files.flatMap((file) =>
    [...readFileSync(new URL(file, root), 'utf8').matchAll(/\{(\d[^{}|'"]*)\|(\d[^{}|'"]*)\}/g)].map(
      ([, metric, us]) => [file, metric!, us!] as const,
    ),
  )
  it('are there', () => expect(pairs.length).toBeGreaterThan(15))
  it.each(pairs)('of %s: %s and %s are one', (_, metric, us) => {
    const quantity = quantityOf(metric.split(' ').at(-1)!)!
    const [one, other] = [metric, us].map((text) =>
      parseQuantity(text, quantity, { temperatureUnit: 'C', system: 'metric' }),
    )
    if (!one?.ok || !other?.ok) throw new Error(`${metric} or ${us} is no figure`)
    // Rounded to what a tape, a gauge or a plate says there.
    expect(Math.abs(other.si / one.si - 1)).toBeLessThan(0.07)
  })
})

describe('what counts as a metric figure', () => {
  it.each([
    '1.5 m up',
    'opens at 4\u00a0°C',
    '2.08 mm²',
    '3 MWh a year',
    'off by 2 K.',
    '900 m³/h',
    '6 bar, dry',
    '20 L',
  ])('%s does', (text) => expect(METRIC_FIGURE.test(text)).toBe(true))
  it.each([
    '230 V, 16 A',
    '5 ft up',
    '900 W',
    '0.4 kWh',
    'K1 in 2 min',
    'Pt1000',
    '3 minutes',
    '12 min',
    'NTC 10 k',
    '14 AWG',
  ])('%s does not', (text) => expect(METRIC_FIGURE.test(text)).toBe(false))
})
