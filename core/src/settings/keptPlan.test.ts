import { describe, expect, it } from '@jest/globals'
import { checkLoop } from '../check/checkLoop'
import { loopKinds } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { proofTests } from '../commissioning/proofTests'
import { startsOf } from './starts'
import { chained, replanned, swapped } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { device } from '../testing/loops'
import type { Edited } from '../wiring/edited'
import { plansOf, switchingPlans } from './behaviour'
import { keeps, keptPlan } from './keptPlan'

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const facts = (profile: string) => device(profile).controller!
const plan = switchingPlans(chained('room').loop.settings.planned)[0]!
const whole = { ...plan, alarmHighC: 30, alarmLowC: 5, lowestC: 10, highestC: 25, minimumOffS: 180, offsetK: 0.5 }

describe('keptPlan', () => {
  it('a bare dial keeps none of what it does not have', () => {
    const { alarmHighC: _a, alarmLowC: _b, lowestC: _c, highestC: _d, ...rest } = whole
    expect(keptPlan(whole, facts('bunting'))).toEqual({ ...rest, minimumOffS: 0, offsetK: 0 })
  })
  it('is the same plan where the controller has all of it', () => {
    const { alarmLowC: _low, ...had } = whole
    expect(keptPlan(had, facts('dipper'))).toBe(had)
    expect(keptPlan({ ...had, minimumOffS: 0, offsetK: 0 }, facts('redstart')).minimumOffS).toBe(0)
  })
  it.each([
    ['bunting', 'minimumOffS', false],
    ['bunting', 'setpointC', true],
    ['redstart', 'minimumOffS', false],
    ['redstart', 'highestC', true],
    ['dipper', 'alarmHighC', true],
    ['dipper', 'alarmLowC', false],
  ] as const)('%s, %s: %s', (profile, setting, has) => expect(keeps(facts(profile), setting)).toBe(has))
})

describe('a loop in hand', () => {
  it.each(loopKinds)('%s: plans nothing that its controllers lack', (kind) => {
    const { chain, loop } = context(chained(kind))
    for (const each of plansOf(loop.settings.planned)) {
      const controller = chain.devices.find(({ id }) => id === each.output.device)!.facts.controller!
      const planned: Readonly<Record<string, unknown>> = { ...each }
      for (const setting of ['alarmHighC', 'alarmLowC', 'lowestC', 'highestC'])
        if (planned[setting] !== undefined) expect([setting, keeps(controller, setting)]).toEqual([setting, true])
    }
  })
  it('is the very document where nothing is lacking', () => {
    const edited = chained('floor')
    expect(context(edited).loop).toBe(edited.loop)
  })
  it('a minimum off time that cannot be keyed neither counts nor is tested; what the load needs is told', () => {
    const bare = swapped(replanned(chained('cold-room'), { minimumOffS: 300 }), 'eider', 'bunting')
    const of = context(bare)
    const [first] = switchingPlans(of.loop.settings.planned)
    expect(first!.minimumOffS).toBe(0)
    expect(proofTests(of).map(({ kind }) => kind)).not.toContain('alarm')
    const found = checkLoop(of).open.find(({ code }) => code === 'C035_MINIMUM_OFF_SHORT')
    if (startsOf(of, first!)) expect(found?.fix).toBeUndefined()
  })
})
