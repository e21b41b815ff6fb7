import { describe, expect, it } from '@jest/globals'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { withPlan } from '../document/withPlanned'
import { stepStatus } from './stepStatus'

const { job, loop } = chained('floor')
const other = { ...loop, id: 'other' }
const look = (of = loop, loops = [loop, other], preferences: Parameters<typeof loopContext>[3] = job) =>
  loopContext(job, of, fieldData, preferences, [...loops])

describe('a loop is looked at once for each change', () => {
  it('the same documents give the same context, check and progress, whoever asks', () => {
    expect(look()).toBe(look())
    expect(checkLoop(look())).toBe(checkLoop(look()))
    expect(stepStatus(look())).toBe(stepStatus(look()))
  })
  it('a setting of another loop is no change of this one', () => {
    const [[id, plan]] = Object.entries(other.settings.planned) as [[string, (typeof other.settings.planned)[string]]]
    const moved = withPlan(other, id, { ...plan, setpointC: plan.setpointC + 1 })
    expect(look(loop, [loop, moved])).toBe(look())
  })
  it('what another loop draws from a supply is one', () => {
    const bare = { ...other, chain: { devices: {}, connections: {} } }
    const [before, after] = [look(), look(loop, [loop, bare])]
    expect(before.others.length).toBeGreaterThan(0)
    expect(after.others).toEqual([])
    expect(after).not.toBe(before)
  })
  it('its own change is one, and so are other units', () => {
    const context = look()
    expect(look({ ...loop, name: 'Other' })).not.toBe(context)
    expect(look(loop, [loop, other], { temperatureUnit: 'F', system: 'us' })).not.toBe(context)
    expect(look()).toBe(context)
  })
})
