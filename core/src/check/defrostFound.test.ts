import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { loopScenario } from '../simulate/loop/loopScenario'
import type { DefrostPlan } from '../settings/defrost/fields'
import { simulate } from '../simulate/simulate'
import { chained, rewhole, withoutDevice } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { runOutcome } from './runOutcome'

/** Days of a cold room under a steady day around it, and what is said of them. */
function days(edited: ReturnType<typeof chained>, count = 2, aroundC = 22) {
  const context = loopContext(edited.job, edited.loop, fieldData)
  const run = loopScenario(context, context.survey!, { hourlyC: [aroundC], days: count })
  const result = simulate(run.scenario)
  return { run, result, codes: runOutcome(context, run, result, aroundC).sentences, context }
}
const defrosting = (defrost: DefrostPlan) => rewhole(chained('cold-room'), 'eider', () => ({ defrost }))

describe('a defrost is simulated with the probes that are there', () => {
  it('with its coil probe it ends by the coil, and nothing is said', () => {
    const { result, codes } = days(chained('cold-room'))
    expect(result.events.some(({ what, why }) => what === 'drips' && why === 'coil')).toBe(true)
    expect(codes.map(({ code }) => code)).not.toContain('no-coil-probe')
  })
  it('without it nothing but the clock ends it, after its longest time, and that is said', () => {
    const { result, codes, run } = days(withoutDevice(chained('cold-room'), 'coil-ntc10k'))
    const drips = result.events.filter(({ what }) => what === 'drips')
    expect(drips.length).toBeGreaterThan(0)
    expect(drips.every(({ why }) => why === 'time')).toBe(true)
    const melts = result.events.find(({ what }) => what === 'melts')!
    const control = run.scenario.controls.find(({ kind }) => kind === 'defrost')!
    const longestS = control.kind === 'defrost' ? control.longestS : 0
    expect(drips[0]!.atS - melts.atS).toBeCloseTo(longestS, -1)
    const said = codes.find(({ code }) => code === 'no-coil-probe')!
    expect([said.verdict, said.reason]).toEqual(['look', expect.stringContaining('No probe feels the coil')])
    expect(codes.map(({ code }) => code)).not.toContain('ice')
  })
  it('a start by the coil that it never gets to is said with both figures', () => {
    const base = chained('cold-room')
    const plan = Object.values(base.loop.settings.controllers ?? {}).find(({ defrost }) => defrost)!.defrost!
    const { codes, result } = days(defrosting({ ...plan, by: 'coil', coilC: -38 }))
    const lowestC = result.summary.minimumC['coil']!
    expect(lowestC).toBeGreaterThan(-38)
    const said = codes.find(({ code }) => code === 'coil-not-reached')!
    expect(said.head).toBe('The coil never gets down to \u221238.0\u00a0°C.')
    const reached = days(defrosting({ ...plan, by: 'coil', coilC: lowestC + 2 }))
    expect(reached.codes.map(({ code }) => code)).not.toContain('coil-not-reached')
    expect(reached.result.events.some(({ what }) => what === 'melts')).toBe(true)
  })
  it('the running fan melts frost with the air of a room over zero while the compressor rests', () => {
    const { run } = days(chained('cold-room', { target: 6 }))
    const defrost = run.scenario.controls.filter(({ kind }) => kind !== 'defrost')
    const frosty = {
      ...run.scenario,
      controls: defrost,
      network: {
        ...run.scenario.network,
        flows: (run.scenario.network.flows ?? []).map((flow) =>
          flow.kind === 'frost' ? { ...flow, startKg: 0.5 } : flow,
        ),
      },
    }
    // At rest all the while: what melts is the room's own warmth.
    const { summary } = simulate({
      ...frosty,
      durationS: 12 * 3600,
      faults: [{ kind: 'dead', actuator: run.outputs[0]!.actuator, atS: 0 }],
    })
    expect(summary.frostKg['frost']).toBeLessThan(0.05)
  })
})
