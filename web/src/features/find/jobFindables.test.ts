import { expect, it } from '@jest/globals'
import { jobFindables, placeAddress } from './jobFindables'
import { wordsFor } from '@nachtigal/core/words/words'
import { makeFinder } from './makeFinder'

const job = (id: string, name: string, place = '') => ({ id, name, place, loops: 1, revision: 1, changedAt: '' })
const all = jobFindables(
  [job('a', 'Otterholm Wildlife Hospital', 'Otterholm'), job('b/1', 'Juniper Hollow', 'Hill road')],
  [{ id: 'dipper', name: 'Dipper', summary: 'on and off, two probes, {1.5 m|5 ft} of lead' }],
  wordsFor({ temperatureUnit: 'F', system: 'us' }),
)
const first = (words: string) => makeFinder(all, 'europe')(words).groups[0]?.entries[0]

it.each([
  ['juniper', '/jobs/b%2F1'],
  ['hill road', '/jobs/b%2F1'],
  ['wildlfe', '/jobs/a'],
  ['dipper', '/shelf/dipper'],
  ['relay life', '/calculators/cycling.relayLife'],
  ['backups', '/backups'],
])('outside a job %j leads to %s', (words, address) => {
  expect(placeAddress(first(words)!)).toBe(address)
})
it('says where a job is and how large', () => {
  expect(first('juniper')?.where).toBe('Hill road, 1 loop')
})
it('tells a device in the units that are looked at', () => {
  expect(first('dipper')?.where).toBe('on and off, two probes, 5\u00a0ft of lead')
})
it('leads to one place for each', () => {
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
})
