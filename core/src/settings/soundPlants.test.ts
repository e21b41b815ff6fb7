import { plansOf } from './behaviour'
import { describe, expect, it } from '@jest/globals'
import { fromSetpoint } from './behaviour'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { returnAt } from './reset/law/returnTemperature'
import { airSensible } from '../plant/airSensible'
import { proofTests } from '../commissioning/proofTests'
import { alarming, chained, replanned, rewhole, step, swapped } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { keptRead, soundReadings } from '../testing/soundReadings'
import type { Edited } from '../wiring/edited'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { defrostView } from './defrost/defrostView'
import { resetSeason } from './reset/resetSeason'
import { resetView } from './reset/resetView'
import { workingRange } from './workingRange'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const codes = (edited: Edited) => checkLoop(contextOf(edited)).open.map(({ code }) => code)
const plansIn = ({ loop }: Edited) => plansOf(loop.settings.planned)

describe('forced air, whatever way it is controlled', () => {
  const switched = (answers: Readonly<Record<string, Answer>> = {}) =>
    chained('fan', { motor: 'onoff', humiditySet: undefined, ...answers }, [
      'mains-230-16-30ma',
      'dipper',
      'air-ntc10k',
      'fan-ac',
    ])
  it('a fan that is switched stands: stop where somebody lives on it', () => {
    expect(codes(switched())).toContain('C104_FAN_MAY_STAND')
    expect(codes(switched({ occupants: 'nobody' }))).not.toContain('C104_FAN_MAY_STAND')
  })
  it('beside one that never stops it may be switched', () => {
    const both = step(chained('fan'), 'fan-ac')
    expect(codes(both)).not.toContain('C104_FAN_MAY_STAND')
  })
  it('failing off is a stop for it too, and full speed is none', () => {
    expect(codes(replanned(switched(), { probeFault: 'off' }))).toContain('C105_FAN_FAILS_SLOW')
    expect(codes(replanned(switched(), { probeFault: 'on' }))).not.toContain('C105_FAN_FAILS_SLOW')
  })
})

describe('chilled water', () => {
  const water = (answers: Readonly<Record<string, Answer | undefined>> = {}) =>
    chained('chiller', { liquid: 'water', glycol: undefined, target: 7, ...answers })
  it('at 7 \u00b0C with flow proof and freeze thermostat is sound', () => {
    const found = checkLoop(contextOf(water())).open.filter(({ severity }) => severity === 'stop')
    expect(found.map(({ code, reason }) => `${code} ${reason}`)).toEqual([])
  })
  it('without them it is not', () =>
    expect(
      codes(
        chained('chiller', { liquid: 'water', glycol: undefined, target: 7 }, [
          'mains-230-10',
          'curlew',
          'pocket-pt1000',
          'compressor-call',
        ]),
      ),
    ).toContain('C047_FREEZE_MARGIN'))
  it('held on the return it is judged by what leaves', () => {
    expect(codes(water({ target: 12, waterSchool: 'return' }))).not.toContain('C047_FREEZE_MARGIN')
    expect(codes(water({ target: 7, waterSchool: 'return' }))).toContain('C047_FREEZE_MARGIN')
    expect(contextOf(water({ target: 12, waterSchool: 'return' })).survey!.figures['leaving']!.value).toBe(7)
  })
})

describe('heat that stays on without its probe', () => {
  const last = () => replanned(chained('floor'), { probeFault: 'last' })
  const proved = (edited: Edited): Edited => {
    const test = proofTests(contextOf(edited)).find(({ kind }) => kind === 'limiter')!
    const readings = Object.fromEntries(
      Object.entries(soundReadings(test)).map(([id, value], i) => [`l${i}`, keptRead(value, test.id, id, i + 1)]),
    )
    return { ...edited, loop: { ...edited.loop, proof: { ...edited.loop.proof, readings } } }
  }
  it('is a stop until the limiter is proved, and clears then', () => {
    const edited = last()
    expect(codes(edited)).toContain('C041_HEATS_ON_PROBE_FAULT')
    expect(codes(proved(edited))).not.toContain('C041_HEATS_ON_PROBE_FAULT')
  })
})

describe('alarms inside the working band', () => {
  const inside = (edited: Edited) => codes(alarming(edited)).includes('C022_ALARM_INSIDE_BAND')
  const cases: Readonly<
    Record<
      string,
      readonly [() => Edited, { alarmHighC?: number; alarmLowC?: number }, { alarmHighC?: number; alarmLowC?: number }]
    >
  > = {
    'on and off, low': [() => chained('floor'), { alarmLowC: 27 }, { alarmLowC: 26.5 }],
    'a fan, high': [() => chained('fan'), { alarmHighC: 23 }, { alarmHighC: 27 }],
    'a fan, low': [() => chained('fan'), { alarmLowC: 22 }, { alarmLowC: 18 }],
    'a band, high': [
      () => chained('room', {}, ['safety-24', 'plover', 'room-ni1000', 'valve-y010']),
      { alarmHighC: 21 },
      { alarmHighC: 24 },
    ],
    'a line, high': [() => chained('boiler'), { alarmHighC: 60 }, { alarmHighC: 90 }],
  }
  it.each(Object.entries(cases))('%s', (_, [made, bad, good]) => {
    expect(inside(replanned(made(), bad))).toBe(true)
    expect(inside(replanned(made(), good))).toBe(false)
  })
  it('stages: the whole scale counts, not one rung', () => {
    const staged = chained('chiller', {}, [
      'mains-230-20',
      'curlew',
      'pocket-pt1000',
      'compressor-call',
      'compressor-call',
      'compressor-call',
    ])
    const [, top] = workingRange(contextOf(staged), plansIn(staged)[0]!)
    const first = plansIn(staged)[0]!
    expect(first.kind === 'on-off' && top > first.onC).toBe(true)
    expect(inside(replanned(staged, { alarmHighC: top - 0.1 }))).toBe(true)
    expect(inside(replanned(staged, { alarmHighC: top + 1 }))).toBe(false)
  })
  it('a line works from its lowest to its highest supply', () => {
    const edited = chained('boiler')
    const [bottom, top] = workingRange(contextOf(edited), plansIn(edited)[0]!)
    const supplies = resetView(contextOf(edited))!.line.map(({ supplyC }) => supplyC)
    expect(bottom).toBeLessThanOrEqual(Math.min(...supplies))
    expect(top).toBeGreaterThanOrEqual(Math.max(...supplies))
  })
})

describe('one return along the line', () => {
  const cast = (answers: Readonly<Record<string, Answer>> = {}) =>
    chained('boiler', { condensing: 'no', returnLift: 'none', ...answers })
  it('goes with the load, and never under the room', () => {
    const at = { roomC: 20, designOutdoorC: -10, dropK: 15 }
    expect(returnAt(60, -10, at)).toBe(45)
    expect(returnAt(60, 5, at)).toBe(52.5)
    expect(returnAt(30, 18, at)).toBe(29)
    expect(returnAt(20.2, 19, at)).toBe(20)
  })
  it.each([
    [50, 'mild'],
    [70, 'warm'],
    [85, 'hot'],
  ])('coolest return and hours under the limit agree with a least supply of %s \u00b0C (%s)', (minimumSupplyC) => {
    const edited = rewhole(cast(), 'martin', ({ reset }) => ({
      reset: { ...reset!, minimumSupplyC, maximumSupplyC: 90, designSupplyC: 88, warmSupplyC: minimumSupplyC },
    }))
    const context = contextOf(edited)
    const view = resetView(context)!
    expect(view.coolestReturn!.supplyC < view.returnLimitC).toBe(resetSeason(context, view).saving!.hoursUnderLimit > 0)
  })
  it('a mixing valve for the rooms does not protect the boiler, a loading valve does', () => {
    expect(codes(cast({ through: 'mixing' }))).toContain('C048_RETURN_UNDER_DEW_POINT')
    expect(codes(cast({ through: 'mixing', returnLift: 'loading' }))).not.toContain('C048_RETURN_UNDER_DEW_POINT')
  })
  it('the least return of any plate is read, whatever the survey calls the boiler', () => {
    const oil = swapped(chained('boiler'), 'boiler-cond', 'boiler-oil')
    expect(codes(oil)).toContain('C048_RETURN_UNDER_DEW_POINT')
    expect(resetView(contextOf(oil))!.returnLimitC).toBe(50)
  })
})

describe('heat that counts', () => {
  it('a filter fan moves what its air carries, and nothing where outside is as warm', () => {
    const cabinet = (designOutdoor: number) =>
      contextOf(
        chained('enclosure', { cooler: 'filter', compressedAir: undefined, designOutdoor }, [
          'mains-230-10',
          'ouzel',
          'panel-k',
          'filter-fan',
        ]),
      ).survey!.seen.powerW
    expect(cabinet(25)).toBeCloseTo(airSensible(160, 10).powerW, 9)
    expect(cabinet(32)).toBeCloseTo(airSensible(160, 3).powerW, 9)
  })
  it('a defrost melts with a share of its heat', () => {
    // A day of frost: its melting rules, not the metal that is warmed with it.
    const { job, loop } = rewhole(chained('cold-room'), 'eider', ({ defrost }) => ({
      defrost: { ...defrost!, by: 'time', everyH: 24, longestMin: 240 },
    }))
    const minutes = (share: number) => {
      const data = { ...fieldData, 'df.melt': { ...fieldData['df.melt']!, typical: share } }
      const context = loopContext(job, loop, data)
      const device = context.chain.devices.find(({ facts }) => facts.id === 'eider')!
      return defrostView(context, device)!.lines.find(({ id }) => id === 'melts')!.value!
    }
    expect(minutes(40) / minutes(50)).toBeCloseTo(50 / 40, 6)
    expect(fieldData['df.melt']).toMatchObject({ low: 30, typical: 40, high: 50 })
  })
})

it.each<LoopKind>(['boiler'])('%s: a swing on a line is no alarm by itself', (kind) =>
  expect(codes(replanned(chained(kind), fromSetpoint('heating', 'centred', 65, 6)))).not.toContain(
    'C022_ALARM_INSIDE_BAND',
  ),
)
