import { expect, it } from '@jest/globals'
import { jobFindables, placeAddress } from './jobFindables'
import { makeFinder } from './makeFinder'

const job = (id: string, name: string, place = '') => ({ id, name, place, loops: 1, revision: 1, changedAt: '' })
const all = jobFindables(
  [job('a', 'Otterholm Wildlife Hospital', 'Otterholm'), job('b/1', 'Juniper Hollow', 'Hill road')],
  [{ id: 'dipper', name: 'Dipper', summary: 'on and off, two probes' }],
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
it('leads to one place for each', () => {
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
})
