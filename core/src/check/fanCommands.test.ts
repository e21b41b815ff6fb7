import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { winterDay } from '../plant/winterDay'
import { demandId } from '../simulate/fanDemands'
import { loopScenario } from '../simulate/loop/loopScenario'
import { simulate } from '../simulate/simulate'
import type { SimulationResult } from '../simulate/scenario'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { runOutcome } from './runOutcome'

const { job, loop } = chained('fan', { humiditySet: 70 })
const context = loopContext(job, loop, fieldData)
const run = loopScenario(context, context.survey!, { hourlyC: winterDay(14), days: 1 })
const [output] = run.outputs
const [byWarmth, byHumidity] = [demandId(output!.control, 1), demandId(output!.control, 2)]

/** A day in which the air goes through these states, as many hours each. */
function day(states: readonly { readonly airC: number; readonly percent: number }[]): SimulationResult {
  const result = simulate(run.scenario)
  const { timeS } = result.trace
  const at = (i: number) => states[Math.min(states.length - 1, Math.floor((i / timeS.length) * states.length))]!
  const each = (pick: (i: number) => number) => Float64Array.from(timeS, (_, i) => pick(i))
  const control = run.scenario.controls.find(({ id }) => id === output!.control)!
  if (control.kind !== 'fan') throw new Error('no fan')
  const share = (demand: number, value: number) => {
    const { zeroAt, fullAt } = control.demands[demand]!
    return Math.min(1, Math.max(0, (value - zeroAt) / (fullAt - zeroAt)))
  }
  const air = states.map(({ airC }) => airC)
  return {
    ...result,
    summary: {
      ...result.summary,
      minimumC: { ...result.summary.minimumC, [run.controlled]: Math.min(...air) },
      maximumC: { ...result.summary.maximumC, [run.controlled]: Math.max(...air) },
      settlesC: { ...result.summary.settlesC, [run.controlled]: air.at(-1)! },
    },
    trace: {
      ...result.trace,
      nodes: { ...result.trace.nodes, [run.controlled]: each((i) => at(i).airC) },
      probes: { ...result.trace.probes, humidity: each((i) => at(i).percent) },
      demands: {
        [byWarmth]: Float32Array.from(timeS, (_, i) => share(0, at(i).airC)),
        [byHumidity]: Float32Array.from(timeS, (_, i) => share(1, at(i).percent)),
      },
    },
  }
}
const codes = (result: SimulationResult) => runOutcome(context, run, result, 14).sentences.map(({ code }) => code)

describe('a fan by warmth and humidity', () => {
  it('writes down what each demand asks for as its probe reads, and the stronger one is what runs', () => {
    const { trace, summary } = simulate(run.scenario)
    expect(run.demands).toEqual({ [byWarmth]: 'warmth', [byHumidity]: 'humidity' })
    expect(summary.engine).toBe('steps')
    const control = run.scenario.controls.find(({ id }) => id === output!.control)
    const least = control?.kind === 'fan' ? control.leastShare : 0
    const drives = trace.drives[output!.actuator]!
    for (let i = 60; i < drives.length; i += 60) {
      const [warmth, humidity] = [trace.demands[byWarmth]![i]!, trace.demands[byHumidity]![i]!]
      expect(Math.abs(drives[i]! - Math.max(least, warmth, humidity))).toBeLessThan(0.05)
    }
  })
  it('says who commands, and for how long', () => {
    const { sentences } = runOutcome(
      context,
      run,
      day([
        { airC: 22, percent: 60 },
        { airC: 22, percent: 78 },
        { airC: 22, percent: 78 },
        { airC: 22, percent: 60 },
      ]),
      14,
    )
    const commands = sentences.find(({ code }) => code === 'commands')!
    expect(commands.head).toMatch(/^Humidity commands, 5\d\s% of the time\.$/)
    expect(commands.reason).toMatch(/no damper than 78\s%/)
  })
  it('cold that humidity made is its doing, not that of the temperature’s control', () => {
    const states = [
      { airC: 22, percent: 60 },
      { airC: 17, percent: 78 },
    ]
    expect(codes(day(states))).toEqual(['holds', 'commands', 'cold-by-humidity'])
    // The same cold with nothing damp is a stray of its own.
    expect(codes(day(states.map(({ airC }) => ({ airC, percent: 50 }))))).not.toContain('holds')
  })
  it('air that stays damper than full speed can mend is said', () => {
    const { sentences } = runOutcome(context, run, day([{ airC: 22, percent: 94 }]), 14)
    const damp = sentences.find(({ code }) => code === 'too-damp')!
    expect([damp.verdict, damp.head]).toEqual(['look', 'Gets as damp as 94\u00a0%.'])
  })
})
