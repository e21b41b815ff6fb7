import { describe, expect, it } from '@jest/globals'
import type { JobSummary } from '@nachtigal/contract/api'
import { sortedJobs } from './sortedJobs'

const job = (name: string, place: string, changedAt: string): JobSummary => ({
  ...{ id: name, name, place, changedAt },
  loops: 1,
  revision: 1,
})
const jobs = [
  job('b', 'Quay', '2026-01-02T00:00:00Z'),
  job('a', '', '2026-01-03T00:00:00Z'),
  job('c', 'Mole', '2026-01-01T00:00:00Z'),
]

describe('sortedJobs', () => {
  it.each([
    ['change', 'abc'],
    ['name', 'abc'],
    ['place', 'cba'],
  ] as const)('by %s stand %s', (order, names) => {
    expect(
      sortedJobs(jobs, order)
        .map(({ name }) => name)
        .join(''),
    ).toBe(names)
  })
})
