import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../../loop/context'
import { plansOf } from '../../settings/behaviour'
import { chained } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import {
  cause,
  around,
  look,
  lookAmong,
  noted,
  parameterName,
  rampKPerS,
  settleS,
  stageGroup,
  standIn,
  stop,
  substitute,
} from './parts'

const contextOf = ({ job, loop }: ReturnType<typeof chained>) => loopContext(job, loop, fieldData)
const inputOf = (kind: Parameters<typeof chained>[0], port = 'probe1') => {
  const context = contextOf(chained(kind))
  const [plan] = plansOf(context.loop.settings.planned)
  return { context, plan: plan!, input: { device: plan!.output.device, port } }
}
const figure = (text: string | undefined) => Number(text?.replace(/[^\d.\u2212-]/g, '').replace('\u2212', '-'))

describe('what to dial in place of a probe', () => {
  // Printed tables: NTC 10 k (25/85 B 3435), IEC 60751, ITS-90.
  it.each([
    ['floor', 'probe1', 25, 10_000, 5],
    ['floor', 'probe1', 0, 27_280, 300],
    ['cold-room', 'coil', 0, 27_280, 300],
    ['chiller', 'probe1', 0, 1000, 0.1],
    ['chiller', 'probe1', 10, 1039.03, 0.1],
    ['cabinet', 'probe1', 100, 138.51, 0.05],
    ['boiler', 'outdoor', 25, 10_000, 5],
  ] as const)('%s %s at %p: %p', (kind, port, celsius, ohm, within) => {
    const { context, input } = inputOf(kind, port)
    const text = substitute(context, input, celsius)!
    expect(text).toMatch(/ohm$/)
    expect(Math.abs(figure(text.replace(/\u202f/g, '').replace(/\u00a0ohm/, '')) - ohm)).toBeLessThanOrEqual(within)
  })
  it('millivolts for a thermocouple, less what its terminals make: K at 100 °C is 4.096 mV, at 20 °C 0.798 mV', () => {
    const { context, input } = inputOf('enclosure')
    expect(standIn(context, input)).toBe('millivolt source')
    expect(substitute(context, input, 100)).toMatch(/^3\.298\u00a0mV with the terminals at 20/)
    expect(substitute(context, input, 5000)).toBeUndefined()
  })
  it('volts for a transmitter: half of its range is half of its signal', () => {
    const { context, input } = inputOf('fan', 'rh')
    expect(standIn(context, input)).toBe('signal source')
    expect(substitute(context, input, 50)).toBe('5.00\u00a0V')
  })
  it('nothing off the curve, and nothing for what is no input', () => {
    const { context, input } = inputOf('floor')
    expect(standIn(context, input)).toBe('resistance box')
    expect(substitute(context, input, 2000)).toBeUndefined()
    expect(substitute(context, { ...input, port: 'out1' }, 20)).toBeUndefined()
    expect(substitute(context, { device: 'none', port: 'x' }, 20)).toBeUndefined()
  })
})

describe('how long to wait and how fast to go', () => {
  it('five lags of the probe, a quarter of the tolerance in one lag', () => {
    const { context, input } = inputOf('floor')
    const lagS = context.chain.devices.find(({ facts }) => facts.probe)!.facts.probe!.lagS
    expect(settleS(context, input)).toBeCloseTo(5 * lagS, 9)
    expect(rampKPerS(context, input, 0.5) * lagS).toBeCloseTo(0.125, 9)
  })
})

describe('parts of a test', () => {
  it('a figure is good as far as it may stray; one that is only noted is never judged', () => {
    expect(around('Reads', 'temperature', 20, 0.5, 'plan')).toMatchObject({ low: 19.5, high: 20.5 })
    expect(noted('Reads', 'temperature')).toMatchObject({ free: true, low: -Infinity, high: Infinity })
  })
  it('what is wrong says what to check first', () => {
    const causes = [cause('stages.lamps', {}), cause('stages.stage-forced', {})] as const
    expect(look('stages.lamps', {}, ...causes)).toEqual({
      verdict: 'look',
      code: 'stages.lamps',
      figures: {},
      causes: [
        { code: 'stages.lamps', figures: {} },
        { code: 'stages.stage-forced', figures: {} },
      ],
    })
    expect(stop('stages.lamps', {}, ...causes).verdict).toBe('stop')
    expect(() => lookAmong('stages.lamps', {}, [])).toThrow('no cause')
  })
  it('names a parameter as it stands on the sheet', () => {
    const { context, plan } = inputOf('floor')
    expect(parameterName(context, plan, 'swing')).toBe('Swing (gap)')
    expect(parameterName(context, plan, 'humidity')).toBeUndefined()
  })
  it('stages are outputs of one controller by one probe and of one action', () => {
    const { context, plan } = inputOf('floor')
    expect(stageGroup(context, plan)).toEqual([])
  })
})
