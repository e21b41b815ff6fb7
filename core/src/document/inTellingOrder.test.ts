import { describe, expect, it } from '@jest/globals'
import { inTellingOrder } from './inTellingOrder'

describe('the changes of a command as they are told', () => {
  it('the device before its connections and before the copy of its profile; alike ones as they came', () => {
    const paths = [
      'profiles/alarm',
      'chain/connections/a',
      'chain/connections/b',
      'chain/devices/d',
      'settings/planned/p',
    ]
    const told = inTellingOrder(paths.map((path) => ({ path: path.split('/') })))
    expect(told.map(({ path }) => path.join('/'))).toEqual([
      'chain/devices/d',
      'settings/planned/p',
      'chain/connections/a',
      'chain/connections/b',
      'profiles/alarm',
    ])
  })
})
