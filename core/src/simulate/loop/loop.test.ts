import { describe, expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { loopContext } from '../../loop/context'
import { runOutcome } from '../../check/runOutcome'
import { type LoopKind, loopKinds } from '../../kinds/kinds'
import type { Climate } from '../../plant/climate'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { chained, rewhole, step } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import { onOff } from '../../testing/plans'
import { winterDay } from '../../plant/winterDay'
import { simulate } from '../simulate'
import { keptChoice, keptLoop } from './keptRun'
import { loopFaults, withFaults } from './loopFaults'
import { loopPlant } from './loopPlant'
import { loopScenario } from './loopScenario'
import { runWeather } from './runWeather'
import { meetsTarget, nearestAt, shadesOf } from './readSweep'
import { schools } from './schools'
import { settingSpan, spanValues } from './settingSpan'
import {
  emptySweep,
  settingsKept,
  type SweepAxis,
  type SweepGiven,
  type SweepMap,
  sweepRow,
  withLoopSetting,
  withRow,
} from './sweep'

const climates = JSON.parse(
  readFileSync(new URL('../../../../shelf/data/climates.json', import.meta.url), 'utf8'),
) as Climate[]
const inland = climates.find(({ id }) => id === 'inland')!

/** A sound loop of a kind, its survey and its context. */
function made(kind: LoopKind, changes = {}) {
  const { job, loop } = chained(kind, changes)
  const context = loopContext(job, loop, fieldData)
  return { context, loop, survey: context.survey! }
}
const dayOf = ({ loop, survey, context }: ReturnType<typeof made>, sort: 'design' | 'usual' | 'mild' = 'design') => {
  const weather = runWeather(loop, 'day', sort, inland, false)
  return { weather, run: loopScenario(context, survey, weather), survey }
}

describe.each(loopKinds)('%s', (kind) => {
  const it0 = made(kind)
  it('runs a day by its own plan, and has something to say', () => {
    const { weather, run } = dayOf(it0)
    expect(run.outputs.length).toBeGreaterThan(0)
    const result = simulate(run.scenario)
    for (const each of [...Object.values(result.summary.meanC), ...Object.values(result.summary.energyKwh)])
      expect(Number.isFinite(each)).toBe(true)
    expect(run.nodes[run.controlled]).toBeDefined()
    const { sentences } = runOutcome(it0.context, run, result, weather.extremeC)
    expect(sentences.length).toBeGreaterThan(0)
    for (const { head, reason, next } of sentences) {
      expect(`${head} ${reason} ${next ?? ''}`).not.toMatch(/NaN|undefined|Infinity|null/)
      expect(reason.length).toBeGreaterThan(10)
    }
  })
  it('is a scenario that stands alone: as JSON and back it runs the same', () => {
    const { run } = dayOf(it0)
    const again = JSON.parse(JSON.stringify(run.scenario)) as typeof run.scenario
    expect(simulate({ ...again, durationS: 3600 }).events).toEqual(
      simulate({ ...run.scenario, durationS: 3600 }).events,
    )
  })
  it('rests on values that all have a range and a source', () => {
    const { rows } = loopPlant(it0.loop, it0.survey, fieldData)
    for (const { low, high, value, source } of rows) {
      expect(value).toBeGreaterThanOrEqual(low)
      expect(value).toBeLessThanOrEqual(high)
      expect(source).not.toBe('')
    }
    const [first] = rows
    if (!first) return
    const changed = { ...it0.loop, trial: { plant: { [first.id]: first.high } } }
    const after = loopPlant(changed, it0.survey, fieldData)
    expect(after.rows[0]).toMatchObject({ value: first.high, changed: true })
    expect(after.model).not.toEqual(loopPlant(it0.loop, it0.survey, fieldData).model)
  })
  it('takes every fault that it is offered', () => {
    const { run } = dayOf(it0)
    const offers = loopFaults(run, it0.context.chain, fieldData, 14)
    expect(offers.length).toBeGreaterThan(4)
    expect(new Set(offers.map(({ id }) => id)).size).toBe(offers.length)
    for (const { id } of offers) {
      const scenario = withFaults(run.scenario, offers, [{ id, atH: 0.5, untilH: 1.5 }])
      const { events } = simulate({ ...scenario, durationS: 2 * 3600 })
      expect(events.filter(({ what }) => what === 'fault').map(({ atS }) => atS)).toEqual([1800])
      expect(events.some(({ what }) => what === 'fault-over')).toBe(true)
    }
    expect(withFaults(run.scenario, offers, [{ id: 'gone', atH: 1 }])).toBe(run.scenario)
  })
  it('has sliders and a sweep over settings that it has', () => {
    const { run } = dayOf(it0)
    const { plan } = run.outputs[0]!
    for (const setting of settingsKept(it0.context.chain, plan)) {
      const span = settingSpan(it0.loop, plan, setting, fieldData)
      const values = spanValues(span, 5)
      expect(values.length).toBeGreaterThan(2)
      const moved = withLoopSetting(it0.loop, plan.id, setting, values.at(-2)!)
      expect(moved).not.toEqual(it0.loop)
      expect(
        loopScenario({ ...it0.context, loop: moved }, it0.survey, { hourlyC: [5], days: 1 }).scenario.controls.length,
      ).toBe(run.scenario.controls.length)
    }
  })
  it('has ways to compare, and both sides run', () => {
    for (const { sides, title } of schools(it0.context)) {
      expect(title).not.toBe('')
      const [a, b] = sides.map(({ loop, change }) => {
        const { scenario } = loopScenario({ ...it0.context, loop }, it0.survey, { hourlyC: winterDay(-5), days: 1 })
        return change ? change(scenario) : scenario
      })
      expect(a).not.toEqual(b)
      for (const side of [a!, b!]) expect(() => simulate({ ...side, durationS: 6 * 3600 })).not.toThrow()
    }
  })
})

describe('what a plan means in a scenario', () => {
  it('stages of one controller are one staged control with its wait and lead', () => {
    const { job, loop } = step(chained('chiller'), 'compressor-call')
    const context = loopContext(job, loop, fieldData)
    const run = loopScenario(context, context.survey!, { hourlyC: [24], days: 1 })
    const [control] = run.scenario.controls
    expect(control).toMatchObject({ kind: 'staged', action: 'cooling', waitS: 180 })
    expect(run.outputs.every(({ control: id }) => id === control!.id)).toBe(true)
  })
  it('a boiler that burns lights, runs up and follows its line', () => {
    const { run } = dayOf(made('boiler'))
    expect(run.scenario.controls.map(({ kind }) => kind)).toEqual(['reset', 'ramped'])
    const result = simulate(run.scenario)
    expect(Object.keys(result.trace.lines).length).toBe(1)
  })
  it('a set-back needs periods of the night, and lowers the line in them', () => {
    const edited = chained('boiler')
    const night = { order: 1, mode: 'night', days: '1234567', start: '22:00', minutes: 480 }
    const { job, loop } = rewhole(edited, 'martin', () => ({
      reset: { ...resetOf(edited)!, setbackK: 10 },
      week: { periods: { n: night } },
    }))
    const context = loopContext(job, loop, fieldData)
    const { scenario } = loopScenario(context, context.survey!, { hourlyC: [-5], days: 1 })
    expect(scenario.controls.find(({ kind }) => kind === 'schedule')).toMatchObject({ periods: [{ start: '22:00' }] })
    expect(scenario.controls.find(({ kind }) => kind === 'ramped')).toMatchObject({ setback: { byK: 10 } })
  })
  it('a floor whose controller goes by the weather gets its water by that line', () => {
    const edited = chained('floor', {}, [
      'mains-230-16-30ma',
      'floor-ntc10k',
      'martin',
      'circulator-45',
      'outdoor-ntc10k',
    ])
    const context = loopContext(edited.job, edited.loop, fieldData)
    const run = (celsius: number) => {
      const { scenario } = loopScenario(context, context.survey!, { hourlyC: [celsius], days: 1 })
      expect(scenario.network.boundaries['water']).toHaveProperty('supply')
      return Object.values(simulate(scenario).summary.energyKwh)[0]!
    }
    expect(run(-10)).toBeGreaterThan(run(5))
  })
  it('a pool whose pump has its own timer heats only in its hours', () => {
    const { run } = dayOf(made('pool', { owner: 'timer', pumpHours: 8 }))
    const { events } = simulate(run.scenario)
    const ons = events.filter(({ what }) => what === 'on').map(({ atS }) => atS / 3600)
    for (const at of ons) {
      expect(at % 24).toBeGreaterThanOrEqual(10 - 0.01)
      expect(at % 24).toBeLessThanOrEqual(18)
    }
  })
  it('a cabin draws from its battery, and more starts draw more', () => {
    const volts = (swingK: number) => {
      const { context, survey, loop } = made('cabin')
      const [id, plan] = Object.entries(loop.settings.planned)[0]!
      const moved = withLoopSetting(loop, id, 'swingK', swingK)
      expect(onOff(plan).kind).toBe('on-off')
      const { scenario } = loopScenario({ ...context, loop: moved }, survey, { hourlyC: [-10], days: 1 })
      return simulate(scenario).trace.nodes['battery']!.at(-1)!
    }
    expect(volts(0.8)).toBeLessThan(volts(4))
  })
})

/** The reset plan that a chain's controller is begun with. */
function resetOf({ job, loop }: ReturnType<typeof chained>) {
  const { chain } = loopContext(job, loop, fieldData)
  return controllerPlanOf(
    { loop, chain, data: fieldData },
    chain.devices.find(({ facts }) => facts.controller)!,
  ).reset
}

describe('runWeather', () => {
  const room = made('room').loop
  const cold = made('cold-room').loop
  it('lays a climate so that its hardest hour is the design temperature', () => {
    for (const span of ['day', 'week', 'season'] as const) {
      const { hourlyC, extremeC, days } = runWeather(room, span, 'design', inland, false)
      expect(Math.min(...hourlyC)).toBeCloseTo(extremeC, 9)
      expect(hourlyC.length).toBe(days * 24)
      if (span !== 'week') expect(extremeC).toBeCloseTo(Number(room.survey.answers['designOutdoor']), 6)
    }
    expect(runWeather(room, 'season', 'design', inland, false).days).toBe(212)
    expect(runWeather(cold, 'season', 'design', inland, false).days).toBe(184)
  })
  it('its week is the hardest of the year', () => {
    const { hourlyC } = runWeather(room, 'week', 'design', inland, true)
    const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
    for (let day = 0; day + 7 <= 365; day++)
      expect(mean(hourlyC)).toBeLessThanOrEqual(mean(inland.hourlyC.slice(day * 24, (day + 7) * 24)) + 1e-9)
  })
  it('what stands in a room feels little of it, and warm days are the hard ones for what cools', () => {
    const { hourlyC, extremeC } = runWeather(cold, 'week', 'design', inland, false)
    expect(Math.max(...hourlyC) - Math.min(...hourlyC)).toBeLessThan(8)
    expect(extremeC).toBeCloseTo(Number(cold.survey.answers['designOutdoor']), 0)
    const warm = runWeather(cold, 'day', 'design', inland, false)
    expect(Math.max(...warm.hourlyC)).toBeCloseTo(Number(cold.survey.answers['designOutdoor']), 6)
    expect(runWeather(cold, 'day', 'mild', inland, false).extremeC).toBeLessThan(warm.extremeC)
  })
  it('a file of one\u2019s own is taken as it is, and as long as it is', () => {
    const own: Climate = { id: 'own', title: '', about: '', hourlyC: Array.from({ length: 72 }, (_, i) => i / 10) }
    expect(runWeather(room, 'season', 'usual', own, true)).toMatchObject({ days: 3, extremeC: 0 })
    expect(runWeather(room, 'season', 'usual', own, true).hourlyC).toEqual(own.hourlyC)
  })
  it.each(climates.map((climate) => [climate.id, climate] as const))('%s is a plausible year', (_, { hourlyC }) => {
    expect(hourlyC.length).toBe(8760)
    const mean = hourlyC.reduce((a, b) => a + b, 0) / 8760
    expect(mean).toBeGreaterThan(0)
    expect(mean).toBeLessThan(13)
    const of = (from: number, to: number) =>
      hourlyC.slice(from * 24, to * 24).reduce((a, b) => a + b, 0) / ((to - from) * 24)
    expect(of(181, 243) - of(0, 59)).toBeGreaterThan(9)
    for (let h = 1; h < 8760; h++) expect(Math.abs(hourlyC[h]! - hourlyC[h - 1]!)).toBeLessThan(6)
  })
})

describe('sweep', () => {
  const { context, survey, loop } = made('room')
  const [output] = Object.keys(loop.settings.planned)
  const run = { hourlyC: winterDay(-10), days: 2 }
  const asked = (x: SweepAxis, y: SweepAxis): SweepGiven => ({ given: context, survey, run, output: output!, x, y })
  it('gives each pair what a run of its own gives, row by row', () => {
    const told: number[] = []
    const given = asked({ setting: 'swingK', values: [0.6, 1.5, 3] }, { setting: 'minimumOffS', values: [0, 900] })
    const half = withRow(
      emptySweep(given.x, given.y),
      1,
      sweepRow(given, 1, { onProgress: (share) => told.push(share) }),
    )
    expect(told.at(-1)).toBe(1)
    expect(Array.from(half.energyKwh, Number.isNaN)).toEqual([true, true, true, false, false, false])
    expect(meetsTarget(half, {})).toEqual([false, false, false, true, true, true])
    expect(shadesOf(half.excursionK).every((shade) => shade >= 0 && shade <= 1)).toBe(true)
    const map = withRow(half, 0, sweepRow(given, 0))
    expect(map.cyclesPerHour.length).toBe(6)
    // A wider swing cycles less and strays more.
    expect(map.cyclesPerHour[0]!).toBeGreaterThan(map.cyclesPerHour[2]!)
    expect(map.excursionK[2]!).toBeGreaterThan(map.excursionK[0]!)
    const one = withLoopSetting(withLoopSetting(loop, output!, 'minimumOffS', 900), output!, 'swingK', 1.5)
    const { scenario } = loopScenario({ ...context, loop: one }, survey, run)
    const { summary } = simulate(scenario)
    expect(map.energyKwh[4]!).toBeCloseTo(
      Object.values(summary.energyKwh).reduce((a, b) => a + b, 0),
      3,
    )
  })
  it('ends when it is asked to', () => {
    const given = asked({ setting: 'swingK', values: [1] }, { setting: 'minimumOffS', values: [0] })
    expect(() => sweepRow(given, 0, { signal: { aborted: true } })).toThrow('cancelled')
  })
  it('says which pairs meet a target, and a pair that only just does not', () => {
    const map: SweepMap = {
      x: { setting: 'swingK', values: [1, 2] },
      y: { setting: 'minimumOffS', values: [0] },
      cyclesPerHour: Float64Array.of(3, 1),
      worstHour: Float64Array.of(4, 1),
      excursionK: Float64Array.of(0.5, 1.2),
      energyKwh: Float64Array.of(1, 1),
    }
    expect(meetsTarget(map, { mostStarts: 3, mayK: 1 })).toEqual([false, false])
    expect(meetsTarget(map, { mostStarts: 4, mayK: 1 })).toEqual([true, false])
    expect(meetsTarget(map, { mostStarts: 3, mayK: 1.2 })).toEqual([false, true])
    expect(meetsTarget(map, {})).toEqual([true, true])
    expect(shadesOf([2, 4, 3])).toEqual([0, 1, 0.5])
    expect(shadesOf([2, 2])).toEqual([0, 0])
    expect(nearestAt([0.5, 1, 2], 1.4)).toBe(1)
  })
  it('spanValues are rounded to the step, with both ends, none twice', () =>
    expect(spanValues({ low: 0.2, high: 0.5, step: 0.1, quantity: 'difference' }, 9)).toEqual([0.2, 0.3, 0.4, 0.5]))
})

describe('a run that is kept', () => {
  const { loop } = made('room')
  const choice = { span: 'week', sort: 'usual', climate: 'coast', faults: [{ id: 'open probe 1', atH: 8 }] }
  const kept = {
    ...{
      order: 1,
      title: 'Week',
      at: '2026-01-05T08:00:00Z',
      by: 'Ann',
      starts: 3,
      energyKwh: 4,
      lowestC: 19,
      highestC: 21,
    },
    choice: JSON.stringify(choice),
    planned: JSON.stringify({ planned: loop.settings.planned }),
  }
  it('gives back what was chosen and planned then', () => {
    expect(keptChoice(kept)).toEqual(choice)
    const [id] = Object.keys(loop.settings.planned)
    const now = withLoopSetting(loop, id!, 'swingK', 3)
    expect(keptLoop(now, kept).settings.planned).toEqual(loop.settings.planned)
  })
  it.each(['', '[]', '{"span":"year"}', '{"span":"week","sort":"usual"}'])('is nothing where its text is %j', (text) =>
    expect(keptChoice({ ...kept, choice: text })).toBeUndefined(),
  )
  it('leaves the loop as it is where the plan is no plan', () =>
    expect(keptLoop(loop, { ...kept, planned: 'x' })).toBe(loop))
})
