import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import { refusal } from './check'
import { loopSchema } from './documentSchemas'

const place = { output: { device: 'a1', port: 'out1' }, input: { device: 'a1', port: 'probe1' }, order: 1 }
const band = {
  kind: 'band',
  ...place,
  action: 'heating',
  anchor: 'centred',
  setpointC: 21,
  bandK: 2,
  integralS: 0,
  minimumPercent: 0,
  maximumPercent: 100,
  offsetK: 0,
  probeFault: 'off',
}
const fan = {
  kind: 'fan',
  ...place,
  action: 'cooling',
  setpointC: 22,
  bandK: 4,
  humidityPercent: 70,
  humidityBandPercent: 10,
  minimumPercent: 15,
  minimumMode: 'floor',
  offsetK: 0,
  probeFault: 'on',
}
const whole = {
  stages: { waitS: 180, lead: 'fixed' },
  reset: {
    designOutdoorC: -14,
    designSupplyC: 66,
    warmOutdoorC: 16,
    warmSupplyC: 30,
    averageH: 3,
    shiftK: 0,
    setbackK: 5,
  },
  defrost: { by: 'time', everyH: 6, endC: 8, longestMin: 30, dripMin: 3, fanBackC: -2, blindMin: 40, leads: true },
  battery: { cutOffV: 11, holdS: 30, restartV: 12.6 },
  week: { periods: { p1: { order: 1, mode: 'runs', days: '12345', start: '06:30', minutes: 60 } }, onceMin: 60 },
  timer: { mode: 'once', aS: 600, bS: 0, from: 'heat', counts: 'down' },
  values: { 'f.lo': 20, in: 'v' },
  owner: { goal: true },
  lock: { shut: false },
}

const withPlan = (plan: object): unknown => ({
  ...emptyLoop('loop', 'job', 'room', 'A room', 1),
  settings: { planned: { p: plan }, asFound: {}, asLeft: {} },
})
const withWhole = (change: object): unknown => ({
  ...emptyLoop('loop', 'job', 'room', 'A room', 1),
  settings: { planned: {}, controllers: { a1: change }, asFound: {}, asLeft: {} },
})
const asked = (document: unknown) => refusal(loopSchema, document)

describe('what is planned besides switching points', () => {
  it.each([
    ['a band', withPlan(band)],
    ['a fan', withPlan(fan)],
    ['a fan that may stand', withPlan({ ...fan, minimumPercent: 'off' })],
    ['a controller with all its parts', withWhole(whole)],
    ['one with none', withWhole({})],
  ])('%s is taken', (_, document) => expect(asked(document)).toBeUndefined())
  it.each([
    ['a band of nothing', withPlan({ ...band, bandK: 0 }), 'planned.p.bandK', 'over 0'],
    ['more than everything', withPlan({ ...band, maximumPercent: 101 }), 'planned.p.maximumPercent', '100 or less'],
    ['an anchor that is none', withPlan({ ...band, anchor: 'edge' }), 'planned.p.anchor', 'centred'],
    ['a kind that is none', withPlan({ ...band, kind: 'wave' }), 'planned.p', 'on-off, band, fan'],
    ['a least speed in words', withPlan({ ...fan, minimumPercent: 'slow' }), 'planned.p.minimumPercent', 'or off'],
    ['a swing on a band', withPlan({ ...band, swingK: 1 }), 'planned.p', 'swingK'],
    ['a start that is no time', week({ start: '24:30' }), 'week.periods.p1.start', 'like 07:00'],
    ['days out of order', week({ days: '21' }), 'week.periods.p1.days', 'in order'],
    ['a period of no length', week({ minutes: 0 }), 'week.periods.p1.minutes', 'over 0'],
    ['a hold under nothing', withWhole({ battery: { ...whole.battery, holdS: -1 } }), 'battery.holdS', '0 or more'],
    [
      'a line without its warm point',
      withWhole({ reset: { ...whole.reset, warmSupplyC: undefined } }),
      'reset.warmSupplyC',
      'missing',
    ],
    ['a part that is none', withWhole({ colour: 'red' }), 'controllers.a1', 'colour'],
    ['a lead that is none', withWhole({ stages: { waitS: 0, lead: 'last' } }), 'stages.lead', 'fixed, rotate'],
    ['text for a time', withWhole({ timer: { ...whole.timer, aS: '600' } }), 'timer.aS', 'number'],
  ])('%s is refused by its field, with what is allowed', (_, document, field, message) => {
    const said = asked(document)
    expect(said?.field).toContain(field)
    expect(said?.message).toContain(message)
  })
  it('a reason for what was left otherwise is kept within bounds', () => {
    const reading = { text: '27', unit: '°C', state: 'value', value: 27, at: '2026-01-05T08:00:00Z', by: 'Ann' }
    const left = (why: string): unknown => ({
      ...emptyLoop('loop', 'job', 'room', 'A room', 1),
      settings: { planned: {}, asFound: {}, asLeft: { a1: { goal: { ...reading, why } } } },
    })
    expect(asked(left('The owner wants it so.'))).toBeUndefined()
    expect(asked(left('x'.repeat(401)))?.field).toContain('asLeft.a1.goal.why')
  })
  it('whatever one field is spoilt with, it is refused, and nothing throws', () => {
    const spoilt = fc.oneof(fc.constant(Number.NaN), fc.constant(Infinity), fc.constant({}), fc.constant([1]))
    fc.assert(
      fc.property(
        fc.constantFrom('setpointC', 'bandK', 'integralS', 'minimumPercent', 'offsetK'),
        spoilt,
        (field, value) => {
          expect(asked(withPlan({ ...band, [field]: value }))).toBeDefined()
        },
      ),
    )
  })
})

function week(change: Partial<LoopDocument> | object): unknown {
  return withWhole({ week: { periods: { p1: { ...whole.week.periods.p1, ...change } } } })
}
