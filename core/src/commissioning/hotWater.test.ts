import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { stepHazards } from './stepHazards'

const scaldsAt = (...given: Parameters<typeof chained>) => {
  const { job, loop } = chained(...given)
  return stepHazards(loopContext(job, loop, fieldData)).map(({ held }) => held.scald)
}
const DRY = { none: 'no hot water in this loop' }

describe('hot water at the steps of the electrical work', () => {
  it.each([
    ['a boiler that burns', scaldsAt('boiler')],
    [
      'a boiler with elements',
      scaldsAt('boiler', { fuel: 'electric' }, ['mains-230-20', 'dipper', 'pocket-ntc10k', 'boiler-el']),
    ],
    ['a pool with elements', scaldsAt('pool', {}, ['mains-230-20', 'dipper', 'pocket-ntc10k', 'flow-heater-3'])],
  ])('%s has it', (_, held) => {
    expect(held.length).toBeGreaterThan(5)
    expect(held).not.toContainEqual(DRY)
  })
  it.each([
    ['a room', scaldsAt('room')],
    ['a heated cabinet', scaldsAt('cabinet')],
  ])('%s has none', (_, held) => expect(held.every((each) => JSON.stringify(each) === JSON.stringify(DRY))).toBe(true))
})
