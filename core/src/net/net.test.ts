import { describe, expect, it } from '@jest/globals'
import { groupAverage } from './groupAverage'
import { netCheck, type NetUnit } from './netCheck'

const sound: NetUnit[] = [
  { name: 'Pool', role: 'leader', group: 'hall', instance: 1 },
  { name: 'Hall', role: 'follower', group: 'hall', instance: 2 },
  { name: 'Fish store', role: 'single', instance: 3 },
]
const changed = (place: number, unit: NetUnit) => sound.map((each, i) => (i === place ? unit : each))
const codes = (units: readonly NetUnit[], limit = 12) => netCheck(units, limit).map(({ code }) => code)

describe('netCheck', () => {
  it('finds nothing on a sound pair', () => expect(codes(sound)).toEqual([]))
  it.each([
    ['an address twice', changed(2, { ...sound[2]!, instance: 1 }), 'address-twice'],
    ['no leader', changed(0, { ...sound[0]!, role: 'follower' }), 'no-leader'],
    ['two leaders', changed(1, { ...sound[1]!, role: 'leader' }), 'two-leaders'],
    ['a name too long', changed(2, { ...sound[2]!, name: 'Fish store, north' }), 'name-too-long'],
    ['a name twice, in capitals', changed(2, { ...sound[2]!, name: ' POOL' }), 'name-twice'],
    ['no name', changed(2, { ...sound[2]!, name: '  ' }), 'name-empty'],
  ] as const)('%s', (_, units, code) => expect(codes(units)).toEqual([code]))
  it('leaders of two groups are no quarrel, and singles need none', () =>
    expect(
      codes([sound[0]!, { name: 'Van', role: 'leader', group: 'yard', instance: 7 }, { name: 'Box', role: 'single' }]),
    ).toEqual([]))
  it('names the units and their places', () =>
    expect(netCheck(changed(2, { ...sound[2]!, instance: 1 }), 12)).toEqual([
      { code: 'address-twice', units: ['Pool', 'Fish store'], positions: [0, 2] },
    ]))
})

describe('groupAverage', () => {
  it.each([
    [[], null, 0],
    [[null], null, 0],
    [[20], 20, 1],
    [[19, null, 22], 20.5, 2],
  ])('%j averages to %p of %d', (readings, averageC, used) =>
    expect(groupAverage(readings)).toMatchObject({ averageC, used }),
  )
})
