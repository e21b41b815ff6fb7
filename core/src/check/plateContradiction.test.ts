import { describe, expect, it } from '@jest/globals'
import { workingPort } from '../device/withNameplate'
import { shelf } from '../testing/loops'
import { plateContradiction } from './plateContradiction'

describe('a plate that contradicts itself', () => {
  it.each([
    ['6 kW on 120 V and 10 A', { kind: 'resistive', powerW: 6000, volts: 120, amps: 10 }, 1200],
    ['a heater of 2 kW that draws 16 A at 230 V', { kind: 'resistive', powerW: 2000, volts: 230, amps: 16 }, 3680],
    ['a motor of 5 kW on 400 V and 5 A', { kind: 'motor', powerW: 5000, volts: 400, amps: 5, phases: 3 }, 3464.1016],
  ] as const)('%s', (_, load, carriesW) => expect(plateContradiction(load)).toBeCloseTo(carriesW, 3))
  it.each([
    ['a heater of 2 kW, 230 V, 8.7 A', { kind: 'resistive', powerW: 2000, volts: 230, amps: 8.7 }],
    ['a motor that takes more than it gives', { kind: 'motor', powerW: 370, volts: 120, amps: 8 }],
    ['a heater of 9 kW on three phases', { kind: 'resistive', powerW: 9000, volts: 400, amps: 13, phases: 3 }],
    ['no current on it', { kind: 'resistive', powerW: 6000, volts: 120 }],
    ['a current of nothing', { kind: 'resistive', powerW: 6000, volts: 120, amps: 0 }],
  ] as const)('%s is none', (_, load) => expect(plateContradiction(load)).toBeUndefined())
  it('no plate of the shelf does', () => {
    const wrong = shelf.filter((profile) => {
      const port = workingPort(profile)
      const base = port === undefined ? undefined : profile.ports[port]
      return base?.kind === 'load' && plateContradiction(base.load) !== undefined
    })
    expect(wrong.map(({ id }) => id)).toEqual([])
  })
})
