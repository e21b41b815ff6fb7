import { describe, expect, it } from '@jest/globals'
import { type Behaviour, fromSetpoint } from '../settings/behaviour'
import type { LoopKind } from '../kinds/kinds'
import { winterDay } from '../plant/winterDay'
import { type ChosenFault, loopFaults, withFaults } from '../simulate/loop/loopFaults'
import { type LoopRun, loopScenario } from '../simulate/loop/loopScenario'
import type { SimulationResult } from '../simulate/scenario'
import { simulate } from '../simulate/simulate'
import { alarming, chained, replanned, rewhole } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { dayWeather } from '../simulate/loop/runWeather'
import type { Edited } from '../wiring/edited'
import { saySettings } from '../words/adviceWords'
import { triedAdvice } from './triedAdvice'
import { plannedFloor } from '../testing/warmFloor'
import { loopContext } from '../loop/context'
import { runOutcome } from './runOutcome'

const { job, loop } = plannedFloor()
const context = loopContext(job, loop, fieldData)
const floorRun = loopScenario(context, context.survey!, { hourlyC: winterDay(-10), days: 1 })

/** A day of the floor that went from one temperature to another. */
const ran = (lowC: number, highC: number, events: SimulationResult['events'] = []): SimulationResult => ({
  summary: {
    ...{
      engine: 'events',
      stepS: 60,
      energyKwh: {},
      starts: {},
      onS: { 'device-3': 43200 },
      meanC: {},
      alarms: 0,
      frostKg: {},
    },
    ...{ minimumC: { slab: lowC }, maximumC: { slab: highC }, settlesC: { slab: (lowC + highC) / 2 } },
  },
  trace: { timeS: new Float64Array(), nodes: {}, probes: {}, lines: {}, contacts: {}, demands: {}, drives: {} },
  events,
})
const of = (given: typeof context, run: LoopRun, result: SimulationResult) => runOutcome(given, run, result, -10)
describe('a floor, target 28 °C, may stray 1 K, set 28, swing 1', () => {
  it.each([
    [27.1, 28.0, 'fits', 'Holds.'],
    [27.0, 29.0, 'fits', 'Holds.'],
    [26.7, 28.2, 'look', 'Strays too far.'],
    [28.2, 29.6, 'look', 'Strays too far.'],
    [20.0, 28.0, 'look', 'Strays too far.'],
  ] as const)('%d to %d °C: %s', (low, high, verdict, head) => {
    const { sentences, underK, overK } = of(context, floorRun, ran(low, high))
    // What would help is tried first: no run's sentence names a value to set.
    expect([sentences[0]!.verdict, sentences[0]!.head, sentences[0]!.next]).toEqual([verdict, head, undefined])
    expect(underK).toBeCloseTo(Math.max(0, 28 - low), 9)
    expect(overK).toBeCloseTo(Math.max(0, high - 28), 9)
  })
  it('says how far it runs past its upper point', () =>
    expect(of(context, floorRun, ran(27.2, 28.4)).sentences[0]!.reason).toContain(
      'runs 0.4\u00a0K past its upper point',
    ))
  it('puts a tripped limiter first', () =>
    expect(of(context, floorRun, ran(20, 28, [{ atS: 5400, what: 'trip', of: 'F1' }])).sentences[0]).toMatchObject({
      code: 'trip',
      head: 'F1 tripped.',
      reason: expect.stringContaining('1.5\u00a0h into the run') as unknown as string,
    }))
  it('speaks Fahrenheit, differences as differences', () => {
    const inF = loopContext({ ...job, temperatureUnit: 'F' }, loop, fieldData)
    expect(of(inF, floorRun, ran(26.7, 28.2)).sentences[0]!.reason).toContain(
      '2.3\u00a0°F under and 0.4\u00a0°F over 82.4\u00a0°F; 1.8\u00a0°F',
    )
  })
})

/** Runs a chained loop for a day under steady surroundings, and says what it says. */
function says(
  kind: LoopKind,
  change: (edited: ReturnType<typeof chained>) => ReturnType<typeof chained>,
  aroundC: number,
  {
    days = 1,
    faults = [],
    answers = {},
  }: { days?: number; faults?: readonly ChosenFault[]; answers?: Record<string, number | string> } = {},
) {
  const edited = change(chained(kind, answers))
  const given = loopContext(edited.job, edited.loop, fieldData)
  const run = loopScenario(given, given.survey!, { hourlyC: [aroundC], days })
  const scenario = withFaults(run.scenario, loopFaults(run, given.chain, fieldData, 10), faults)
  const outcome = runOutcome(given, run, simulate(scenario), aroundC)
  return {
    ...outcome,
    ids: outcome.sentences.map(({ code }) => code),
    text: outcome.sentences.map(({ head, reason, next }) => `${head} ${reason} ${next ?? ''}`).join(' '),
  }
}
const same = (edited: ReturnType<typeof chained>) => edited
/** A room's on/off plan as a band from its set. */
const banded =
  (setpointC: number, bandK: number, integralS = 0) =>
  (edited: ReturnType<typeof chained>) => {
    const [id, old] = Object.entries(edited.loop.settings.planned)[0]!
    const { order, output, input } = old
    const band: Behaviour = {
      ...{
        kind: 'band',
        order,
        output,
        input,
        action: 'heating',
        anchor: 'from-setpoint',
        setpointC,
        bandK,
        integralS,
      },
      ...{ minimumPercent: 0, maximumPercent: 100, offsetK: 0, probeFault: 'off' },
    }
    return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, planned: { [id]: band } } } }
  }

describe('each sentence comes from the numbers: an input moved past its threshold changes it', () => {
  it('droop: a wide band leaves it short, a narrow one or an integral does not', () => {
    const wide = says('room', banded(20, 6), -8)
    expect(wide.ids).toContain('droop')
    expect(wide.text).toMatch(
      /Reaches \d+\.\d\u00a0°C, not 20\.0\u00a0°C\. At −8\.0\u00a0°C around it the band leaves it \d\.\d\u00a0K short\./,
    )
    expect(says('room', banded(20, 1.5), -8).ids).not.toContain('droop')
    expect(says('room', banded(20, 6, 1800), -8).ids).not.toContain('droop')
  })
  it('saturated: full power that is not enough, until it is less cold', () => {
    const cold = says('room', same, -60, { days: 3 })
    expect(cold.ids[0]).toBe('saturated')
    expect(cold.text).toMatch(/It runs all the time: [\d.]+\u00a0k?W give no more at −60\.0\u00a0°C around it/)
    expect(says('room', same, 0, { days: 3 }).ids).not.toContain('saturated')
  })
  it('starts: more in an hour than the load bears, until the swing is wider', () => {
    const cycling = (swingK: number) =>
      says(
        'cabin',
        (edited) => replanned(edited, { ...fromSetpoint('heating', 'below', 16, swingK), minimumOffS: 0 }),
        -10,
      )
    expect(cycling(0.6).ids).toContain('starts')
    expect(cycling(20).ids).not.toContain('starts')
  })
  it('cut-off: a small battery, until it is a large one', () => {
    const van = (batteryAh: number) => says('cabin', same, -10, { days: 2, answers: { batteryAh } })
    const small = van(12)
    expect(small.ids).toContain('cut-off')
    expect(small.text).toMatch(/The battery is cut off after \d+\.\d\u00a0h/)
    expect(van(900).ids).not.toContain('cut-off')
  })
  it('idle: cold outside, nothing asked of the fan, until it is warm', () => {
    expect(says('fan', same, -5).ids).toContain('idle')
    expect(says('fan', same, 21).ids).not.toContain('idle')
  })
  it('ice: a defrost that the clock ends, until it may last', () => {
    const melting = (longestMin: number) =>
      says(
        'cold-room',
        (edited) =>
          rewhole(edited, 'eider', () => ({
            defrost: { by: 'time', everyH: 6, endC: 30, longestMin, dripMin: 3, fanBackC: -2, blindMin: 40 },
          })),
        24,
      )
    const short = melting(1)
    expect(short.ids).toContain('ice')
    expect(short.text).toMatch(/\d defrosts? of \d ended by the clock/)
    expect(melting(240).ids).not.toContain('ice')
  })
  it('alarm: past its limit for long enough, until the limit is further off', () => {
    const alarmed = (alarmLowC: number) =>
      says('room', (edited) => alarming(replanned(edited, { alarmLowC, alarmHighC: 60 })), -10, {
        faults: [{ id: 'open probe 1', atH: 6 }],
      })
    // Without its probe it calls at once; with it, only past the limit.
    expect(alarmed(5).ids).toContain('alarm')
    const quiet = says('room', (edited) => alarming(replanned(edited, { alarmLowC: 5, alarmHighC: 60 })), -10)
    expect(quiet.ids).not.toContain('alarm')
    expect(
      says(
        'room',
        (edited) =>
          alarming(
            replanned(edited, { alarmLowC: 19.9, alarmHighC: 60, ...fromSetpoint('heating', 'centred', 18, 1) }),
          ),
        -10,
      ).ids,
    ).toContain('alarm')
  })
  it('fault: says which one, and gives no advice on settings while it lasts', () => {
    const broken = says('room', same, -10, { faults: [{ id: 'off probe 1', atH: 4 }] })
    expect(broken.ids[0]).toBe('fault')
    expect(broken.text).toContain('With a fault since 4.0\u00a0h. Fallen off: the probe')
    expect(broken.sentences.find(({ code }) => code === 'strays')?.next).toBeUndefined()
    expect(says('room', same, -10).ids).not.toContain('fault')
  })
  it('a boiler follows its line, until the fire is too small for it', () => {
    const fits = says('boiler', same, -10)
    expect(fits.text).toContain('Follows its line.')
    const weak = says('boiler', same, -14, { days: 2, answers: { power: 4000 } })
    expect(weak.text).toMatch(/Falls behind its line|Reaches/)
  })
})

describe('a timer that must hold a time at temperature', () => {
  const cabinet = (from: 'key' | 'heat', hold: number) =>
    rewhole(
      chained('cabinet', { hold, way: 'proportioned' }, [
        'mains-230-20',
        'wheatear',
        'oven-k',
        'oven-element-2000',
        'goshawk',
        'wheatear>goshawk:ssr-25',
      ]),
      'wheatear',
      ({ timer }) => ({ timer: { ...timer!, from, aS: hold * 60 } }),
    )
  const weather = { ...dayWeather(cabinet('key', 120).loop, 'design'), hourlyC: winterDay(16) }
  const overOf = (edited: Edited) => {
    const made = loopContext(edited.job, edited.loop, fieldData)
    const run = loopScenario(made, made.survey!, weather)
    return runOutcome(made, run, simulate(run.scenario), 16).sentences.find(({ code }) => code === 'time-over')!
  }
  it('counts from there, and has held it', () => {
    expect(overOf(cabinet('heat', 120)).verdict).toBe('fits')
    expect(triedAdvice(cabinet('heat', 120), fieldData, weather)).toBeUndefined()
  })
  it('counts from the key: says by how much that is short', () => {
    const said = overOf(cabinet('key', 120))
    expect(said.verdict).toBe('look')
    expect(said.reason).toMatch(/^\d+ min of it at temperature; 2 h are asked for\.$/)
    expect(Number(/^(\d+) min/.exec(said.reason)![1])).toBeLessThan(118)
    expect(said.next).toMatch(/^This controller counts from the key/)
  })
  it('the longer time that is advised was tried, and holds once it is keyed', () => {
    const edited = cabinet('key', 120)
    const { facts, loop } = triedAdvice(edited, fieldData, weather)!
    expect(facts.settings.timerS).toBeGreaterThan(120 * 60)
    expect(saySettings(facts, loopContext(edited.job, edited.loop, fieldData).words)).toMatch(/^timer 2 h \d+ min$/)
    expect(overOf({ job: edited.job, loop: loop! }).verdict).toBe('fits')
  })
})
