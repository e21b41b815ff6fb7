import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { beforeKeying } from './beforeKeying'
import { keyingSheet } from './keyingSheet'

const told = (...args: Parameters<typeof chained>) => {
  const { job, loop } = chained(...args)
  const context = loopContext(job, loop, fieldData)
  const [sheet] = keyingSheet(context)
  return beforeKeying(context, sheet!.device, sheet!.rows)
}

describe('before the first key', () => {
  it('what sets the rest back wants the load off', () =>
    expect(told('floor')).toEqual([expect.stringMatching(/^Switch off M1 .*“Unit”.*may pull in\.$/)]))
  it('a link on the board wants the supply off and proved dead', () =>
    expect(told('fan')[0]).toMatch(/^Switch the supply off, lock it and prove it dead, then set Link J1 to 0–10 V/))
  it('an action that is keyed wants the load off too', () =>
    expect(told('room', {}, ['mains-230-10', 'siskin', 'room-ntc10k', 'panel-heater-1500'])).toEqual([
      expect.stringMatching(/until “Kind” is keyed/),
    ]))
  it('where nothing hangs on it, or nothing turns, there is nothing to switch off', () => {
    expect(told('floor', {}, ['dipper'])).toEqual([])
    expect(told('room', {}, ['mains-230-10', 'bunting', 'panel-heater-1500'])).toEqual([])
  })
})
