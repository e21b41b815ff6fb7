import { describe, expect, it } from '@jest/globals'
import { wordsFor } from '../words/words'
import { compareFigures, furthestK } from './compareFigures'

const run = { starts: 10, worstHour: 3, energyKwh: 20, onShare: 0.5, lowestC: 19, highestC: 21.5, settlesC: 20 }
const other = { ...run, starts: 4, worstHour: 1, energyKwh: 21.5, lowestC: 18, highestC: 22, settlesC: 20.5 }

describe('two runs side by side', () => {
  it('excursion is from the target, or the whole of it', () => {
    expect(furthestK(run, 20)).toBeCloseTo(1.5, 9)
    expect(furthestK(run, 25)).toBeCloseTo(6, 9)
    expect(furthestK(run, undefined)).toBeCloseTo(2.5, 9)
  })
  it('says each difference with its sign, temperatures as differences', () => {
    const rows = compareFigures([run, other], 20, wordsFor({ temperatureUnit: 'F', system: 'metric' }))
    expect(rows.map(({ what, difference }) => [what, difference])).toEqual([
      ['Starts', '-6'],
      ['In its worst hour', '-2'],
      ['Energy', '+1.5\u00a0kWh'],
      ['Furthest off', '+0.9\u00a0°F'],
      ['Settles at', '+0.9\u00a0°F'],
    ])
    expect(rows[4]).toMatchObject({ first: '68.0\u00a0°F', second: '68.9\u00a0°F' })
  })
})
