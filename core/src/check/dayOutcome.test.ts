import { describe, expect, it } from '@jest/globals'
import { fromSetpoint } from '../job/behaviour'
import { coldestOf, winterDay } from '../plant/winterDay'
import { loopScenario } from '../simulate/loopScenario'
import type { SimulationResult } from '../simulate/scenario'
import { simulate } from '../simulate/simulate'
import { fieldData } from '../testing/fieldData'
import { plannedFloor } from '../testing/warmFloor'
import { loopContext } from './context'
import { dayOutcome } from './dayOutcome'
import { onOff } from '../testing/plans'

const { job, loop } = plannedFloor()
const context = loopContext(job, loop, fieldData)
const plan = onOff(loop.settings.planned['plan-1'])
const ran = (lowC: number, highC: number, events: SimulationResult['events'] = []): SimulationResult => ({
  summary: { energyKwh: {}, starts: {}, onS: {}, meanC: {}, minimumC: { slab: lowC }, maximumC: { slab: highC } },
  trace: { timeS: new Float64Array(), nodes: {}, drives: {} },
  events,
})

describe('dayOutcome, target 28 °C, may stray 1 K, set 28, swing 1', () => {
  it.each([
    [27.1, 28.0, 'fits', 'Holds.', undefined],
    [27.0, 29.0, 'fits', 'Holds.', undefined],
    [26.7, 28.2, 'look', 'Strays too far.', 'Raise the set by 0.6\u00a0K.'],
    [28.2, 29.6, 'look', 'Strays too far.', 'Lower the set by 0.9\u00a0K.'],
    [26.0, 28.4, 'look', 'Strays too far.', 'Narrow the swing to about 0.6\u00a0K, then look where the middle lies.'],
    [
      20.0,
      28.0,
      'look',
      'Strays too far.',
      'The swing is not the cause: look at power, supply water and the place of the probe.',
    ],
  ] as const)('%d to %d °C: %s', (low, high, verdict, head, next) => {
    const outcome = dayOutcome(context, plan, ran(low, high))
    expect([outcome.verdict, outcome.head, outcome.next]).toEqual([verdict, head, next])
    expect(outcome.underK).toBeCloseTo(Math.max(0, 28 - low), 9)
    expect(outcome.overK).toBeCloseTo(Math.max(0, high - 28), 9)
  })
  it('says how far it runs past its upper point', () =>
    expect(dayOutcome(context, plan, ran(27.2, 28.4)).reason).toContain('runs 0.4\u00a0K past its upper point'))
  it('puts a tripped limiter first', () =>
    expect(dayOutcome(context, plan, ran(20, 28, [{ atS: 5400, what: 'trip', of: 'F1' }]))).toMatchObject({
      verdict: 'look',
      head: 'F1 tripped.',
      reason: expect.stringContaining('1.5\u00a0h into the day'),
    }))
  it('never sends the set past what the surface may reach', () => {
    const answers = { ...loop.survey.answers, zone: 'timber', target: 27 }
    const timber = loopContext(job, { ...loop, survey: { ...loop.survey, answers } }, fieldData)
    const atLimit = { ...plan, ...fromSetpoint('heating', 'cut-out', 27, 1) }
    const { next } = dayOutcome(timber, atLimit, ran(25.7, 27.2))
    expect(next).toContain('Not by a higher set: this floor may not be over 27.0\u00a0°C')
    expect(dayOutcome(timber, atLimit, ran(26.8, 28.3)).next).toBe('Lower the set by 0.6\u00a0K.')
  })
  it('speaks Fahrenheit, differences as differences', () => {
    const inF = loopContext({ ...job, temperatureUnit: 'F' }, loop, fieldData)
    expect(dayOutcome(inF, plan, ran(26.7, 28.2)).reason).toContain(
      '2.3\u00a0°F under and 0.4\u00a0°F over 82.4\u00a0°F; 1.8\u00a0°F',
    )
  })
  it('what it proposes helps: the run with the proposed set strays less', () => {
    const run = (setpointC: number) => {
      const planned = { 'plan-1': { ...plan, ...fromSetpoint('heating', 'cut-out', setpointC, 1) } }
      const scenario = loopScenario(
        { ...loop, settings: { ...loop.settings, planned } },
        context.chain,
        context.survey!.floor!,
        {
          hourlyC: winterDay(coldestOf('cold', -10)),
          days: 1,
        },
      )
      return dayOutcome(context, plan, simulate(scenario))
    }
    const [as, moved] = [run(28), run(28.6)]
    expect(Math.max(moved.underK!, moved.overK!)).toBeLessThan(Math.max(as.underK!, as.overK!))
  })
})
