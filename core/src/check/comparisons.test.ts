import { describe, expect, it } from '@jest/globals'
import { boundTo } from '../device/bound'
import { loopKinds } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { reachOf } from '../wiring/reach'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { checkLoop } from './checkLoop'
import { comparisons } from './comparisons'
import { worseFindings } from './worseFindings'

const contextOf = (kind: (typeof loopKinds)[number], steps?: readonly string[]) => {
  const { job, loop } = chained(kind, {}, steps)
  return loopContext(job, loop, fieldData)
}

describe.each(loopKinds)('what is compared can be done: %s', (kind) => {
  const context = contextOf(kind)
  const sides = comparisons(context).flatMap((each) => each.sides)
  it('no band on what burns or compresses, none without a cycle, none that its controller is not keyed to', () => {
    for (const { loop } of sides)
      for (const plan of plansOf(loop.settings.planned)) {
        const device = context.chain.devices.find(({ id }) => id === plan.output.device)!
        const controller = device.facts.controller!
        if (plan.kind === 'on-off' && boundTo(controller, 'swing')) {
          const swing = boundTo(controller, 'swing')
          expect(plan.swingK).toBeGreaterThanOrEqual((swing?.low ?? 0) - 1e-9)
          expect(plan.swingK).toBeLessThanOrEqual((swing?.high ?? Infinity) + 1e-9)
        }
        if (loop === context.loop || plan.kind !== 'band' || device.facts.ports[plan.output.port]?.kind !== 'contact')
          continue
        expect(plan.cycleS).toBeGreaterThan(0)
        for (const { does } of reachOf(context.chain, plan.output)) expect(['fuel', 'cooling']).not.toContain(does)
      }
  })
  it('what may be planned leaves no rule with more to find', () => {
    const { open } = checkLoop(context)
    for (const { loop, plannable } of sides)
      if (plannable) expect(worseFindings(open, checkLoop(loopContext(context.job, loop, fieldData)).open)).toEqual([])
  })
})
