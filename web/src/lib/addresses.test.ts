import { describe, expect, it } from '@jest/globals'
import { matchRoutes } from 'react-router'
import fc from 'fast-check'
import { jobAt, loopAt } from './addresses'

describe('addresses', () => {
  it.each([
    [jobAt('j'), '/jobs/j'],
    [jobAt('j', 'calculators', 'probe.temperature'), '/jobs/j/calculators/probe.temperature'],
    [loopAt('j', 'l'), '/jobs/j/loops/l'],
    [loopAt('j', 'l', 'wire', 'a/b c'), '/jobs/j/loops/l/wire/a%2Fb%20c'],
  ])('%s', (address, is) => {
    expect(address).toBe(is)
  })
  it('whatever an id has in it comes back from the address', () => {
    const id = fc.string({ minLength: 1, maxLength: 30 }).filter((text) => text.trim() !== '' && !/^\.+$/.test(text))
    fc.assert(
      fc.property(id, id, id, (job, loop, row) => {
        const [match] =
          matchRoutes([{ path: '/jobs/:jobId/loops/:loopId/wire/:row' }], loopAt(job, loop, 'wire', row)) ?? []
        expect(Object.values(match?.params ?? {})).toEqual([job, loop, row])
      }),
    )
  })
})
