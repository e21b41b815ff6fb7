import { describe, expect, it } from '@jest/globals'
import { device, surveyed } from '../testing/loops'
import { fieldData } from '../testing/fieldData'
import { placing } from '../survey/placing'
import { actionOptions } from './actionOptions'
import { asSet } from './asSet'

describe('outputs that call on one terminal for heat and on another for cooling', () => {
  it.each([
    ['phoebe', 'heating', {}, 'W'],
    ['phoebe', 'cooling', { calls: 'cool' }, 'Y'],
    ['junco', 'heating', {}, 'W1'],
    ['junco', 'cooling', { calls: 'cool' }, 'Y1'],
    ['towhee', 'cooling', {}, '4'],
  ] as const)('%s, %s', (id, action, set, make) => {
    expect(actionOptions(device(id), action)).toEqual(set)
    expect(asSet(device(id), set).ports['out1']).toMatchObject({ make })
  })
  it('what is made for one action alone has none for the other', () => {
    expect(actionOptions(device('wheatear'), 'cooling')).toBeUndefined()
    expect(actionOptions(device('wheatear'), 'heating')).toEqual({})
  })
  it('a thermostat is put in as the loop calls', () => {
    const { loop } = surveyed('room', { heater: undefined })
    expect(placing(loop, device('phoebe'), fieldData)).toEqual({})
    const { loop: cools } = surveyed('thermostat', { switches: 'compressor' })
    expect(placing(cools, device('phoebe'), fieldData)).toEqual({ set: { calls: 'cool' } })
  })
})
