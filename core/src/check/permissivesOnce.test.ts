import { describe, expect, it } from '@jest/globals'
import { startChain } from '../actions/startChain'
import { loopContext } from '../loop/context'
import { practices } from '../testing/usChains'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { shelf, surveyed } from '../testing/loops'
import { winterDay } from '../plant/winterDay'
import { loopFaults, withFaults } from '../simulate/loop/loopFaults'
import { loopScenario } from '../simulate/loop/loopScenario'
import { simulate } from '../simulate/simulate'
import { loadLogics } from '../wiring/loadLogic'
import { checkLoop } from './checkLoop'
import { permissivesOnce } from './permissivesOnce'

const proposed = (practice: (typeof practices)[number]) => {
  const { job, loop } = surveyed('chiller', { stages: 3 })
  const made = startChain.run({ job: { ...job, practice }, loop }, {}, hand)
  return { made, context: loopContext(made.job, made.loop, fieldData) }
}

describe('guards of a staged plant stand once', () => {
  it.each(practices)('one flow switch and one freeze thermostat before three compressors, in %s', (practice) => {
    const { context } = proposed(practice)
    const permissives = context.chain.devices.filter(({ facts }) => facts.category === 'permissive')
    expect(permissives.map(({ facts }) => facts.permissive!.senses).sort()).toEqual(['flow', 'frost'])
    const logics = loadLogics(context.chain).filter(({ port }) => port.does === 'cooling')
    expect(logics).toHaveLength(3)
    for (const { protects, logic } of logics) {
      expect(protects.map(({ device }) => device.tag).sort()).toEqual(permissives.map(({ tag }) => tag).sort())
      for (const { tag } of permissives) expect(logic!.mustClose).toContain(tag)
    }
    // Dialled between the ice and the coldest that the control goes.
    const frost = permissives.find(({ facts }) => facts.permissive!.senses === 'frost')!
    expect(frost.dialC).toBeLessThan(-2)
    expect(checkLoop(context).open.filter(({ severity }) => severity === 'stop')).toEqual([])
  })
  it('a flow that stops stops every stage in a run, and the switch is named', () => {
    const { context } = proposed('europe')
    const run = loopScenario(context, context.survey!, { hourlyC: winterDay(24), days: 1 })
    const flow = context.chain.devices.find(({ facts }) => facts.permissive?.senses === 'flow')!
    const offers = loopFaults(run, context.chain, fieldData, 14)
    const { trace, events } = simulate(
      withFaults(run.scenario, offers, [{ id: `open ${flow.tag}`, atH: 6, untilH: 9 }]),
    )
    for (const { actuator } of run.outputs) {
      const drives = trace.drives[actuator]!
      expect([...drives.subarray(6 * 60 + 1, 9 * 60)].every((share) => share === 0)).toBe(true)
    }
    expect(
      events.filter(({ what, atS }) => what === 'held' && atS >= 6 * 3600).every(({ why }) => why === flow.tag),
    ).toBe(true)
    expect(events.some(({ what }) => what === 'held')).toBe(true)
  })
  it('is not done twice, and not where there is nothing to do once', () => {
    const tools = { shelf, data: fieldData, makeId: () => 'none' }
    expect(permissivesOnce(proposed('europe').made, tools)).toBeUndefined()
    expect(permissivesOnce(startChain.run(surveyed('pool'), {}, hand), tools)).toBeUndefined()
  })
})
