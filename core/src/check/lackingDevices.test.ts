import { describe, expect, it } from '@jest/globals'
import { lackingDevices } from './lackingDevices'

describe('lackingDevices', () => {
  it.each([
    [
      ['C002_NO_CONTROLLER', 'C001_NO_PROBE'],
      ['controller', 'probe'],
    ],
    [['C013_NO_LIMITER', 'C013_NO_LIMITER'], ['limiter']],
    [['C017_OWN_PROTECTION', 'C060_NEVER_REACHES'], []],
  ] as const)('%j lack %j', (codes, lacked) => {
    expect(lackingDevices(codes.map((code) => ({ code })))).toEqual(lacked)
  })
  it('counts what a remedy would put between two devices', () => {
    const fix = { do: 'insert', connection: 'c1', wants: { category: 'relay', gold: true } } as const
    expect(lackingDevices([{ code: 'C011_CONNECTION_LOOK', fix }])).toEqual(['relay'])
  })
  it('counts no remedy that changes what is there', () => {
    const fix = { do: 'set-option', device: 'd', option: 'coil', choice: '24', say: 'Take the 24 V coil' } as const
    expect(lackingDevices([{ code: 'C011_CONNECTION_LOOK', fix }])).toEqual([])
  })
})
