import { describe, expect, it } from '@jest/globals'
import { searchCalculators } from './searchCalculators'

describe('searchCalculators', () => {
  it.each([
    ['pt1000', 'probe.temperature'],
    ['pt100 ohms', 'probe.resistance'],
    ['4-20', 'signal.loop'],
    ['0-10', 'modulating.output'],
    ['swing', 'switching.points'],
    ['how long to heat', 'water.heatUp'],
    ['dew point', 'air.state'],
    ['voltage drop', 'wiring.drop'],
    ['thermocouple', 'probe.hotJunction'],
    ['megohm', 'deadtest.verdict'],
    ['glycol', 'brine.properties'],
    ['hysterisis', 'switching.points'],
    ['fahrenheit', 'units.convert'],
    ['relay', 'cycling.relayLife'],
    ['override', 'logic.table'],
  ])('"%s" finds %s among the first five', (query, id) => {
    expect(
      searchCalculators(query)
        .slice(0, 5)
        .map((entry) => entry.id),
    ).toContain(id)
  })
  it.each(['zzzz', '', '   ', '(((', '\u0000'])('%p finds nothing and does not fail', (query) => {
    expect(searchCalculators(query)).toEqual([])
  })
})
