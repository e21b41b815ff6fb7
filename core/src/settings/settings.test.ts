import { describe, expect, it } from '@jest/globals'
import { fromSetpoint, type PlanOf, plansOf, switchingPlans } from './behaviour'
import { loopKinds } from '../kinds/kinds'
import { type Answer } from '../kinds/answers'
import { chained, idOf, replanned, replannedAt, rewhole, told } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { device as shelved } from '../testing/loops'
import { addDevice, type Edited } from '../wiring/chainEdit'
import { loopContext } from '../loop/context'
import { consequences } from './consequences'
import { bandPercent, bandView } from './band/bandView'
import { batteryView } from './battery/batteryView'
import { defrostView } from './defrost/defrostView'
import { faultView } from './fault/faultView'
import { fanView } from './fan/fanView'
import { conditions } from './conditions'
import { energisedAt, switchingScale, soundPatterns } from './switching/switchingScale'
import { offsetAdvice, offsetLimits } from './offset/offsetView'
import { ownerView } from './owner/ownerView'
import { resetSeason } from './reset/resetSeason'
import { resetView } from './reset/resetView'
import { otherParameters, setParts } from './setParts'
import { timerView } from './timer/timerView'
import { daysSay, momentSays, nextClockChange, weekView } from './week/weekView'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const deviceOf = (edited: Edited, profile: string) =>
  contextOf(edited).chain.devices.find(({ id }) => id === idOf(edited, profile))!
const firstPlan = (edited: Edited): PlanOf => plansOf(edited.loop.settings.planned)[0]!
const lineOf = (lines: readonly { readonly id: string }[], id: string) => lines.find((line) => line.id === id)

const chiller = () =>
  chained('chiller', {}, [
    'mains-230-20',
    'curlew',
    'pocket-pt1000',
    ...Array.from({ length: 4 }, () => 'compressor-call'),
  ])
const only = (kind: Parameters<typeof chained>[0], answers: Readonly<Record<string, Answer>>, ...steps: string[]) =>
  chained(kind, answers, steps)

describe('the switching points', () => {
  it('stands four stages of cooling on one scale, with what they move', () => {
    const edited = chiller()
    const view = switchingScale(contextOf(edited), firstPlan(edited).id)
    expect(view.rungs.map(({ stage, setpointC, moves }) => [stage, setpointC, moves])).toEqual([
      [1, -2, 'M1'],
      [2, -1, 'M2'],
      [3, 0, 'M3'],
      [4, 1, 'M4'],
    ])
    expect(view.iceC).toBeCloseTo(-17, 0)
    expect(view.fights).toEqual([])
  })
  it.each([
    [-2.5, [], []],
    [0, [], [1, 2]],
    [1, [1], [1, 2, 3]],
    [5, [1, 2, 3, 4], [1, 2, 3, 4]],
  ])('at %d °C: rising %j, falling %j', (celsius, rising, falling) => {
    const edited = chiller()
    const { rungs } = switchingScale(contextOf(edited), firstPlan(edited).id)
    const numbers = (ids: readonly string[]) => ids.map((id) => rungs.find((rung) => rung.id === id)!.stage)
    const made = energisedAt(rungs, celsius)
    expect([numbers(made.rising), numbers(made.falling)]).toEqual([rising, falling])
  })
  it('says the patterns that are sound', () => expect(soundPatterns(3)).toBe('1, 1-2, 1-2-3'))
  it('heating and cooling on one scale: where they fight', () => {
    const edited = only('room', {}, 'mains-230-20', 'redwing', 'room-ntc10k', 'panel-heater-1500', 'circulator-45')
    const input = { device: idOf(edited, 'redwing'), port: 'probe1' }
    const fighting = replannedAt(edited, { 2: { input, ...fromSetpoint('cooling', 'cut-out', 20, 2) } })
    const view = switchingScale(contextOf(fighting), firstPlan(fighting).id)
    expect(view.rungs.map(({ action, stage }) => `${action} ${stage}`)).toEqual(['heating 1', 'cooling 1'])
    expect(view.fights).toEqual([{ fromC: 20, toC: 21 }])
  })
  it('a freeze thermostat stands where its dial says, else where it opens as it comes', () => {
    const dialled = switchingScale(contextOf(chained('chiller')), firstPlan(chained('chiller')).id)
    expect(dialled.cutOuts).toMatchObject([{ opens: 'fall' }])
    const asItComes = told(chained('chiller'), 'frost-stat', { dialC: 4 })
    expect(switchingScale(contextOf(asItComes), firstPlan(asItComes).id).cutOuts[0]!.atC).toBe(4)
  })
  it('stages share the work: the first runs on, the later ones cycle', () => {
    const edited = chiller()
    const said = switchingPlans(edited.loop.settings.planned).map((plan) =>
      consequences(plan, contextOf(edited)).find(({ id }) => id === 'design')!,
    )
    // Four of 4 kW against a load of 11.07: two run on, the third makes up the rest, the fourth has nothing to do.
    expect(said.map(({ reason }) => reason)).toEqual(['stays on', 'stays on', undefined, 'stays off'])
    expect(said[2]!.value).toBeGreaterThan(0)
  })
})

describe('the reset line', () => {
  const seasonOf = (edited: Edited) => {
    const context = contextOf(edited)
    const view = resetView(context)!
    return { ...view, ...resetSeason(context, view) }
  }
  const view = seasonOf(chained('boiler'))
  it('runs from the design point to the summer stop', () => {
    expect(view.line.at(-1)!.outdoorC).toBeLessThanOrEqual(view.plan.shutdownAboveC!)
    expect(view.line.find(({ outdoorC }) => outdoorC === view.plan.designOutdoorC)!.supplyC).toBe(
      view.plan.designSupplyC,
    )
  })
  it('saves against a fixed supply, within the range that the estimates leave', () => {
    const { saving } = view
    expect(saving!.resetKwh).toBeLessThan(saving!.fixedKwh)
    expect(saving!.savingPercent).toBeCloseTo(100 * (1 - saving!.resetKwh / saving!.fixedKwh), 9)
    expect(saving!.lowPercent).toBeLessThanOrEqual(saving!.savingPercent)
    expect(saving!.highPercent).toBeGreaterThanOrEqual(saving!.savingPercent)
  })
  it('a lower line saves more, and is told to fall short', () => {
    const low = seasonOf(
      rewhole(chained('boiler'), 'martin', ({ reset }) => ({
        reset: { ...reset!, designSupplyC: 50, warmSupplyC: 26 },
      })),
    )
    expect(low.saving!.savingPercent).toBeGreaterThan(view.saving!.savingPercent)
    expect(low.shortK).toBeGreaterThan(view.shortK)
  })
  it('set back at night it runs that much lower', () => {
    const night = resetView(
      contextOf(rewhole(chained('boiler'), 'martin', ({ reset }) => ({ reset: { ...reset!, setbackK: 8 } }))),
    )!
    const at = (points: typeof view.line, outdoorC: number) => points.find((p) => p.outdoorC === outdoorC)!.supplyC
    expect(at(night.line, 0) - at(night.setback, 0)).toBeCloseTo(8, 9)
  })
  it('is none where its points are crossed', () =>
    expect(
      resetView(
        contextOf(rewhole(chained('boiler'), 'martin', ({ reset }) => ({ reset: { ...reset!, warmOutdoorC: -30 } }))),
      ),
    ).toBeUndefined())
})

describe('the band', () => {
  const valve = (change: object = {}) =>
    replanned(only('room', {}, 'safety-24', 'plover', 'room-ni1000', 'valve-y010'), change)
  const of = (edited: Edited) => {
    const plan = firstPlan(edited)
    if (plan.kind !== 'band') throw new RangeError('no band')
    return { plan, view: bandView(contextOf(edited), plan) }
  }
  it.each([
    ['centred' as const, 'heating' as const, 22, 20],
    ['from-setpoint' as const, 'heating' as const, 21, 19],
    ['from-setpoint' as const, 'cooling' as const, 21, 23],
  ])('%s, %s: nothing at %d, full at %d', (anchor, action, zero, full) => {
    const { view } = of(valve({ anchor, action, setpointC: 21, bandK: 2 }))
    expect([view.zeroC, view.fullC]).toEqual([zero, full])
  })
  it.each([
    [0, 0],
    [21, 50],
    [20.5, 75],
  ])('least and most hold it', (celsius, percent) => {
    const { plan } = of(valve({ anchor: 'centred', setpointC: 21, bandK: 2, minimumPercent: 0, maximumPercent: 80 }))
    const wanted = celsius === 0 ? 80 : Math.min(80, percent)
    expect(bandPercent(plan, celsius)).toBeCloseTo(wanted, 9)
  })
  it('shows volts of the signal that is chosen', () => {
    const { view } = of(valve())
    expect([view.scale.text(0), view.scale.text(50)]).toEqual(['0.0\u00a0V', '5.0\u00a0V'])
  })
  it('shows hertz where a drive makes them', () => {
    const edited = replanned(only('fan', {}, 'safety-24', 'swift', 'air-ntc10k', 'petrel', 'fan-motor-075'), {})
    const plan = firstPlan(edited)
    if (plan.kind !== 'fan') throw new RangeError('no fan')
    const view = fanView(contextOf(edited), plan, { temperatureC: 22, humidityPercent: 60 })
    expect([view.scale.unit, view.scale.text(0), view.scale.text(100)]).toEqual(['Hz', '20.0\u00a0Hz', '50.0\u00a0Hz'])
  })
  it('an integral time takes the rest to the setpoint', () => {
    const without = of(valve({ bandK: 6, integralS: 0, anchor: 'from-setpoint' })).view
    const rest = of(valve({ bandK: 6, integralS: 600, anchor: 'from-setpoint' })).view
    expect(without.rest!.saturated).toBeUndefined()
    expect(without.rest!.offsetK).toBeLessThan(-0.5)
    expect(rest.rest!.offsetK).toBe(0)
  })
  it('a time share on a relay wears it, on a solid-state output it does not', () => {
    const edited = only('cabinet', {}, 'mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000')
    expect(lineOf(of(edited).view.lines, 'life')).toBeUndefined()
    expect(of(edited).view.scale.text(50)).toBe('1.0\u00a0s')
  })
})

describe('the fan', () => {
  const edited = chained('fan')
  const plan = plansOf(edited.loop.settings.planned).find((each) => each.kind === 'fan')!
  const at = (temperatureC: number, humidityPercent: number) => {
    if (plan.kind !== 'fan') throw new RangeError('no fan')
    return fanView(contextOf(edited), plan, { temperatureC, humidityPercent }).lines
  }
  it.each([
    [20, 60, 'least speed'],
    [25, 60, 'temperature asks'],
    [20, 79, 'humidity asks'],
  ])('at %d °C and %d %%: %s', (celsius, percent, because) =>
    expect(lineOf(at(celsius, percent), 'command')).toMatchObject({ text: because }),
  )
})

describe('the defrost', () => {
  const eider = (change: object) =>
    rewhole(chained('cold-room'), 'eider', ({ defrost }) => ({ defrost: { ...defrost!, ...change } }))
  const of = (edited: Edited) => defrostView(contextOf(edited), deviceOf(edited, 'eider'))!
  it('more often costs more minutes of cold', () => {
    const minutes = (everyH: number) => of(eider({ everyH })).cycle!.uncooledMinPerDay
    expect(minutes(3)).toBeGreaterThan(minutes(6))
  })
  it('says when nothing can be drawn, and why', () => {
    expect(of(eider({ everyH: 0 })).noneSays).toContain('Never by the clock')
    expect(of(eider({ longestMin: 0 })).noneSays).toContain('longest time')
    expect(of(eider({ everyH: 0.05 })).noneSays).toContain('longer than the time between')
  })
  it('in a group the leader starts it for all', () => {
    const edited = only('cold-room', {}, 'mains-230-20', 'dunlin', 'chill-pt1000', 'coil-pt1000', 'cold-unit-1500')
    const view = defrostView(contextOf(edited), deviceOf(edited, 'dunlin'))!
    expect(lineOf(view.lines, 'group')).toMatchObject({ text: expect.stringContaining('starts the defrost of all') })
  })
})

describe('the battery', () => {
  const of = (edited: Edited) => batteryView(contextOf(edited), deviceOf(edited, 'ptarmigan'))!
  it('takes the cable as it was measured, once it was', () => {
    const edited = chained('cabin')
    expect(of(edited).measured).toBe(false)
    const { rows } = contextOf(edited)
    const states = Object.fromEntries(rows.map(({ id }) => [id, { lengthM: 2, sizeMm2: 1.5 }]))
    const measured = { ...edited, loop: { ...edited.loop, wiring: { rows: states } } }
    expect(of(measured).measured).toBe(true)
    const longer = Object.fromEntries(rows.map(({ id }) => [id, { lengthM: 6, sizeMm2: 1.5 }]))
    const far = { ...edited, loop: { ...edited.loop, wiring: { rows: longer } } }
    expect(of(far).cutOff.glowDropV).toBeCloseTo(3 * of(measured).cutOff.glowDropV, 9)
  })
  it('is cut by the run input, never by the supply', () =>
    expect(lineOf(of(chained('cabin')).lines, 'cuts')).toMatchObject({ text: expect.stringContaining('run input') }))
})

describe('the week', () => {
  const week = (periods: readonly (readonly [string, string, number])[]) =>
    rewhole(chained('cabin'), 'ptarmigan', () => ({
      week: {
        periods: Object.fromEntries(
          periods.map(([days, start, minutes], i) => [`w${i}`, { order: i + 1, mode: 'runs', days, start, minutes }]),
        ),
      },
    }))
  const of = (edited: Edited, now?: string) => weekView(contextOf(edited), deviceOf(edited, 'ptarmigan'), now)!
  it('covers touching and overlapping periods once', () =>
    expect(
      lineOf(
        of(
          week([
            ['1', '06:00', 60],
            ['1', '06:30', 60],
          ]),
        ).lines,
        'covered',
      ),
    ).toMatchObject({ value: 1.5 }))
  it('a period past Sunday comes in again on Monday', () =>
    expect(of(week([['7', '23:00', 120]])).bars).toEqual([
      { id: 'w0', fromMin: 6 * 1440 + 1380, toMin: 10_080 },
      { id: 'w0', fromMin: 0, toMin: 60 },
    ]))
  it('says what comes next, in wall time', () => {
    const { lines } = of(week([['12345', '06:30', 60]]), '2026-11-27T09:00:00+01:00')
    expect(lineOf(lines, 'next0')).toMatchObject({ text: 'on Mon 06:30, 30 Nov' })
    expect(lineOf(lines, 'clock')).toMatchObject({ text: expect.stringMatching(/^Sun 03:00, 28 Mar, an hour on/) })
  })
  it.each([
    ['1234567', 'every day'],
    ['12345', 'working days'],
    ['67', 'weekend'],
    ['', 'no day'],
    ['135', 'Mon, Wed, Fri'],
  ])('days %j are %s', (days, says) => expect(daysSay(days)).toBe(says))
  it('a moment is read on site', () => expect(momentSays('2026-11-26T07:05:00+01:00')).toBe('Thu 07:05, 26 Nov'))
  it('a zone without changes of the clock has none', () =>
    expect(nextClockChange('Asia/Tokyo', '2026-11-26T07:05:00+09:00')).toBeUndefined())
})

describe('the timer', () => {
  const wheatear = (change: object) =>
    rewhole(
      only('cabinet', {}, 'mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000'),
      'wheatear',
      ({ timer }) => ({
        timer: { ...timer!, ...change },
      }),
    )
  const of = (edited: Edited) => timerView(contextOf(edited), deviceOf(edited, 'wheatear'))!
  it('stands in series with the thermostat; its own relay follows it alone', () =>
    expect(of(wheatear({ aS: 600 })).relays.map(({ port, follows }) => [port, follows])).toEqual([
      ['out1', 'both'],
      ['bell', 'timer'],
    ]))
  it('waits for the heat where it counts from there', () => {
    const parts = (edited: Edited) => of(edited).relays[0]!.stretches.map(({ part }) => part)
    expect(parts(wheatear({ aS: 600, from: 'heat' }))).toContain('waits')
    expect(parts(wheatear({ aS: 600, from: 'key' }))).not.toContain('waits')
  })
  it('says that a repeat needs both times', () =>
    expect(of(wheatear({ mode: 'repeat', aS: 60, bS: 0 })).none).toContain('A and a time B'))
})

describe('the offset', () => {
  const edited = chained('floor')
  const advise = (pairs: Parameters<typeof offsetAdvice>[2], presentK = 0) =>
    offsetAdvice(contextOf(edited), firstPlan(edited), pairs, presentK)
  it('is none before a pair was read', () => expect(advise([])).toBeUndefined())
  it.each([
    [[[28, 28.1]], 'leave', undefined],
    [[[28, 27.2]], 'offset', 0.8],
    [[[28, 31]], 'beyond-limit', -3],
    [
      [
        [20, 20],
        [40, 43],
      ],
      'not-an-offset',
      undefined,
    ],
  ] as const)('%j: %s', (pairs, verdict, offsetK) => {
    const made = advise(pairs.map(([referenceC, shownC]) => ({ referenceC, shownC })))!
    expect(made.verdict).toBe(verdict)
    if (offsetK !== undefined) expect(made.offsetK).toBeCloseTo(offsetK, 9)
    for (const words of [made.head, made.says, made.next]) expect(words).not.toMatch(/undefined|NaN/)
  })
  it('goes on from the offset that is keyed', () =>
    expect(advise([{ referenceC: 28, shownC: 27.2 }], 0.5)!.offsetK).toBeCloseTo(1.3, 9))
  it('knows how far the keys go', () =>
    expect(offsetLimits(contextOf(edited), firstPlan(edited))).toMatchObject({ lowK: -10, highK: 10, code: 'trim' }))
})

describe('a broken probe', () => {
  const verdicts = (edited: Edited) =>
    Object.fromEntries(
      faultView(contextOf(edited), firstPlan(edited)).choices.map(({ fault, verdict }) => [fault, verdict]),
    )
  it('heat that stays on is a stop, off is not', () =>
    expect(verdicts(chained('floor'))).toMatchObject({ off: 'fits', on: 'stop', last: 'stop', duty: 'fits' }))
  it('where cold does the harm, off is to be looked at', () =>
    expect(verdicts(chained('room'))).toMatchObject({ off: 'look' }))
  it('says which way each probe errs before it fails', () => {
    const errs = (edited: Edited) => faultView(contextOf(edited), firstPlan(edited)).errs.map(({ shows }) => shows)
    expect(errs(chained('floor'))).toEqual(['reads too cold', 'reads too hot'])
    expect(errs(chiller())).toEqual(['reads too hot', 'reads too cold'])
    expect(errs(chained('enclosure'))[0]).toBe('falls when it is warmed')
  })
})

describe('two levels', () => {
  it('the owner turns the setpoint within its limits, the installer the rest', () => {
    const edited = chained('floor')
    const view = ownerView(contextOf(edited), deviceOf(edited, 'dipper'))!
    expect(view.rows.filter(({ may }) => may).map(({ code }) => code)).toEqual(['goal'])
    expect(view.may[0]).toMatch(/^Set, 10\.0 to 31\.0 °C$/)
  })
  it('what is planned against the keys is told', () => {
    const edited = rewhole(chained('floor'), 'dipper', () => ({ owner: { gap: true, goal: false } }))
    const notes = ownerView(contextOf(edited), deviceOf(edited, 'dipper'))!.rows.flatMap(({ note }) => note ?? [])
    expect(notes).toHaveLength(2)
  })
  it('a dial has no lock', () => {
    const edited = only('room', {}, 'mains-230-10', 'bunting', 'panel-heater-1500')
    expect(ownerView(contextOf(edited), deviceOf(edited, 'bunting'))!.lock).toContain('sealed cover')
  })
})

describe('what happens when', () => {
  it.each(loopKinds)('%s: probe, supply, clock, each in whole words', (kind) => {
    const edited = chained(kind)
    const context = contextOf(edited)
    const plan = firstPlan(edited)
    const device = context.chain.devices.find(({ id }) => id === plan.output.device)!
    const told = conditions(context, device, plan, '2026-11-26T07:05:00+01:00')
    expect(told.map(({ id }) => id)).toEqual(expect.arrayContaining(['supply', 'clock']))
    for (const { then } of told) {
      expect(then).not.toMatch(/undefined|NaN|null/)
      expect(then).toMatch(/[.]$/)
    }
  })
})

describe('parts of the stage', () => {
  it.each([
    ['floor', 'points trade offset fault owner'],
    ['boiler', 'reset points trade week fault owner'],
    ['fan', 'fan offset fault owner'],
    ['cold-room', 'points trade defrost offset fault owner other'],
    ['cabin', 'points trade battery week offset fault owner'],
    ['cabinet', 'points trade timer offset fault owner'],
  ] as const)('%s: %s', (kind, parts) => {
    const edited = chained(kind)
    const context = contextOf(edited)
    const plan = firstPlan(edited)
    const device = context.chain.devices.find(({ id }) => id === plan.output.device)!
    expect(setParts(context, device, plan.id).join(' ')).toBe(parts)
  })
  it('what no instrument holds is named, options not twice', () => {
    const drive = addDevice(chained('floor'), shelved('petrel'), 'drive')
    const petrel = contextOf(drive).chain.devices.find(({ id }) => id === 'drive')!
    expect(otherParameters(petrel)).toEqual(['f.lo', 'f.hi', 'up', 'dn', 'amp', 'gone', 'dir'])
  })
})
