import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { weatherYear, hoursByTemperature } from '../plant/weatherYear'
import { plannedValues } from '../settings/plannedValues'
import { chained, idOf, rewhole, swapped } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { device, surveyed } from '../testing/loops'
import type { Edited } from '../wiring/chainEdit'
import { controllerPlanOf } from './controllerPlanOf'
import { withDefaultPlans } from './defaultPlans'
import { placing } from './placing'

const wholeOf = (edited: Edited, profile: string) => {
  const context = loopContext(edited.job, edited.loop, fieldData)
  return controllerPlanOf(
    context,
    context.chain.devices.find(({ id }) => id === idOf(edited, profile))!,
  )
}
const valuesOf = (edited: Edited, profile: string) => {
  const context = loopContext(edited.job, edited.loop, fieldData)
  return plannedValues(
    context,
    context.chain.devices.find(({ id }) => id === idOf(edited, profile))!,
  )
}

describe('what a controller is begun with', () => {
  it('a line that gives the emitters what they need on the design day', () =>
    expect(wholeOf(chained('boiler'), 'martin').reset).toMatchObject({
      designOutdoorC: -14,
      designSupplyC: 70,
      shutdownAboveC: 16,
      frostBelowC: 2,
    }))
  it('the weather of now where that school was chosen', () => {
    expect(wholeOf(chained('boiler', { outdoorSchool: 'instant' }), 'martin').reset!.averageH).toBe(0)
    expect(wholeOf(chained('boiler'), 'martin').reset!.averageH).toBeGreaterThan(0)
  })
  it('a defrost by the coil where that was chosen, else by the clock', () => {
    expect(wholeOf(chained('cold-room'), 'eider').defrost).toMatchObject({ by: 'coil', everyH: 6, endC: 8 })
    expect(wholeOf(chained('cold-room', { defrost: 'time' }), 'eider').defrost!.by).toBe('time')
  })
  it('the time that the goods have to be held', () =>
    expect(wholeOf(chained('cabinet', { hold: 90 }), 'goosander').timer).toMatchObject({ aS: 5400, mode: 'once' }))
  it('rotation where it was chosen', () =>
    expect(wholeOf(chained('chiller', { lead: 'rotate' }), 'curlew').stages!.lead).toBe('rotate'))
  it('nothing that the controller does not have', () => expect(wholeOf(chained('floor'), 'dipper')).toEqual({}))
})

describe('what was set', () => {
  it('stays when the chain is edited', () => {
    const set = rewhole(chained('cabin'), 'ptarmigan', ({ battery }) => ({ battery: { ...battery!, cutOffV: 11.5 } }))
    const again = withDefaultPlans(set, fieldData, () => 'never')
    expect(wholeOf(again, 'ptarmigan').battery!.cutOffV).toBe(11.5)
  })
  it('a cut-off as it was begun with goes along with the battery that feeds it', () => {
    const wrong = rewhole(chained('cabin'), 'ptarmigan', () => ({
      battery: { cutOffV: 22, holdS: 30, restartV: 25.2 },
    }))
    expect(
      wholeOf(
        withDefaultPlans(wrong, fieldData, () => 'never'),
        'ptarmigan',
      ).battery!.cutOffV,
    ).toBe(11)
  })
  it('leaves with a controller that has no place for it', () => {
    const other = swapped(chained('cabin'), 'ptarmigan', 'snipe')
    expect(wholeOf(other, 'snipe')).not.toHaveProperty('week')
    expect(wholeOf(other, 'snipe')).toHaveProperty('battery')
  })
})

describe('an output', () => {
  const kinds = (edited: Edited) => plansOf(edited.loop.settings.planned).map(({ kind }) => kind)
  it.each([
    ['a contact', chained('floor'), ['on-off']],
    ['a fan signal and a thermostat', chained('fan'), ['fan', 'on-off']],
    ['a contact that takes its share', chained('cabinet', {}, ['wheatear']), ['band']],
    ['a signal', chained('room', {}, ['plover']), ['band']],
  ] as const)('%s is planned as %j', (_, edited, wanted) => expect(kinds(edited)).toEqual(wanted))
  it('that becomes another kind is planned anew, under its id', () => {
    const before = chained('cabinet', {}, ['mains-230-20', 'goosander', 'oven-pt100'])
    const after = swapped(before, 'goosander', 'wheatear')
    expect(Object.keys(after.loop.settings.planned)).toEqual(Object.keys(before.loop.settings.planned))
    expect(kinds(after)).toEqual(['band'])
  })
})

describe('planned values', () => {
  it('times go into the unit of the leaflet', () => {
    const values = valuesOf(chained('cabinet', { hold: 90 }), 'goosander')
    expect(values.get('time')).toBe(90)
    expect(valuesOf(chained('cold-room'), 'eider').get('melt')).toBe(6)
  })
  it('an option that a parameter sets is what was chosen on the device', () =>
    expect(valuesOf(chained('cabinet', {}, ['wheatear']), 'wheatear').get('type')).toBe('k'))
  it('what nothing is planned for is as it comes', () =>
    expect(valuesOf(chained('room', {}, ['plover']), 'plover').get('see')).toBe('room'))
  it('a period that is not there is off, and asks for nothing else', () => {
    const values = valuesOf(chained('cabin'), 'ptarmigan')
    expect(values.get('day1')).toBe('none')
    expect(values.has('wake1')).toBe(false)
  })
  it('one that is there has its days, its start and its run', () => {
    const values = valuesOf(
      rewhole(chained('cabin'), 'ptarmigan', () => ({
        week: { periods: { p: { order: 1, mode: 'runs', days: '12345', start: '06:30', minutes: 45 } } },
      })),
      'ptarmigan',
    )
    expect([values.get('day1'), values.get('wake1'), values.get('run1')]).toEqual(['12345', 6.5, 45])
  })
})

describe('where a freeze thermostat is set', () => {
  it.each([
    [{ liquid: 'water', target: 8 }, 3.5],
    [{ liquid: 'pg', glycol: 30, target: -2 }, -8],
    [{ liquid: 'water', target: 0.5 }, undefined],
  ] as const)('%j: %s', (answers, dialC) =>
    expect(placing(surveyed('chiller', answers).loop, device('frost-stat'), fieldData)).toEqual(
      dialC === undefined ? {} : { dialC },
    ),
  )
})

describe('a made-up year', () => {
  const year = weatherYear(-14)
  it('has its coldest hour on the design day, and is the same each time', () => {
    expect(year).toHaveLength(8760)
    expect(Math.min(...year)).toBeCloseTo(-14, 1)
    expect(weatherYear(-14)).toEqual(year)
  })
  it('is told in bands that hold every hour once', () => {
    const bands = hoursByTemperature(year, 2)
    expect(bands.reduce((sum, { hours }) => sum + hours, 0)).toBe(8760)
    for (const { fromC, toC } of bands) expect(toC - fromC).toBe(2)
    expect(() => hoursByTemperature(year, 0)).toThrow(/bandK 0/)
  })
  it('is warmer in July than in January', () => {
    const mean = (from: number) => year.slice(from, from + 720).reduce((sum, c) => sum + c, 0) / 720
    expect(mean(4344) - mean(0)).toBeGreaterThan(10)
  })
})
