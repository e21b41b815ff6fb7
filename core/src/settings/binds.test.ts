import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loopKinds } from '../kinds/ids'
import { chained } from '../testing/chains'
import { shelf } from '../testing/loops'
import { plansOf } from './behaviour'
import { weekBinds } from './week/binds'
import { controllerBinds, parameterQuantities, planBinds } from './parameterQuantities'
import { resetBinds } from './reset/binds'
import { everyBinds } from './everyBinds'
import { plannedValues } from './plannedValues'
import { fieldData } from '../testing/fieldData'
import { loopContext } from '../loop/context'

const plain = (seconds: number | undefined) => seconds

describe('what a parameter may bind to', () => {
  it('is named once, and every parameter of the shelf binds to one of them', () => {
    expect(new Set(parameterQuantities).size).toBe(parameterQuantities.length)
    const bound = shelf.flatMap(({ controller }) =>
      Object.values(controller?.parameters ?? {}).flatMap(({ binds }) => binds ?? []),
    )
    expect(bound.length).toBeGreaterThan(100)
    expect(bound.filter((each) => !parameterQuantities.includes(each))).toEqual([])
  })
  it('is read by one part of a plan alone, where it is one of a controller', () => {
    const names = Object.values(controllerBinds).flatMap((binds) => Object.keys(binds))
    expect(new Set(names).size).toBe(names.length)
    const ofOutputs = [...Object.keys(everyBinds), ...Object.values(planBinds).flatMap((binds) => Object.keys(binds))]
    expect(ofOutputs.filter((name) => names.includes(name))).toEqual([])
  })
  it('an averaging time is told in seconds, a temperature as it is', () => {
    const plan = { averageH: 2, designSupplyC: 55 } as Parameters<(typeof resetBinds)['reset.average']>[0]
    expect([resetBinds['reset.average'](plan, plain), resetBinds['reset.coldSupply'](plan)]).toEqual([7200, 55])
  })
  it('a period that is not there has no days, and nothing else', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), (count) => {
        const periods = Object.fromEntries(
          Array.from({ length: count }, (_, i) => [
            `p${i}`,
            { order: i + 1, mode: 'run', days: '135', start: '06:30', minutes: 90 },
          ]),
        )
        const read = Object.entries(weekBinds).map(([name, bind]) => [name, bind({ periods }, plain)] as const)
        for (const [name, value] of read) {
          const [, n, part] = /^period(\d)\.(\w+)$/.exec(name) ?? []
          if (!n) expect(value).toBeUndefined()
          else if (Number(n) > count) expect([name, value]).toEqual([name, part === 'days' ? 'none' : undefined])
          else expect([name, value]).toEqual([name, { mode: 'run', days: '135', start: 23400, run: 5400 }[part!]])
        }
      }),
    )
  })
  const keyed = loopKinds.flatMap((kind) => {
    const { job, loop } = chained(kind)
    const context = loopContext(job, loop, fieldData)
    const [plan] = plansOf(loop.settings.planned)
    const device = context.chain.devices.find(({ id }) => id === plan!.output.device)!
    const found = Object.entries(device.facts.controller!.parameters).find(
      ([, { binds, port }]) => binds === 'setpoint' && [undefined, plan!.output.port, plan!.input.port].includes(port),
    )
    return found ? [[kind, plannedValues(context, device).get(found[0]), plan!.setpointC] as const] : []
  })
  it('most kinds have a setpoint to key', () => expect(keyed.length).toBeGreaterThan(6))
  it.each(keyed)('%s: the setpoint that is planned is the one that is keyed', (_, value, setpointC) =>
    expect(value).toBe(setpointC),
  )
})
