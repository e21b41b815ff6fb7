import type { JobSummary } from '@nachtigal/contract/api'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { calculations } from '@nachtigal/core/calc/registry'
import type { Words } from '@nachtigal/core/words/words'
import type { Findable } from './makeFinder'

const pages = [
  { what: 'Shelf', where: 'controllers, probes, loads, limiters', at: ['shelf'] },
  { what: 'Calculators', where: 'every calculation on its own', at: ['calculators'] },
  { what: 'Backups', where: 'made each night, brought back when wanted', at: ['backups'] },
] as const

/** Every calculator; at the same way in a job and outside one. */
export const calculatorFindables: readonly Findable[] = calculations.map(({ id, title, find }) => ({
  ...{ id: `calculator/${id}`, kind: 'calculator', what: title, where: id, words: find, at: ['calculators', id] },
}))

/** All that can be found outside a job: jobs by name and place, devices of the shelf, calculators, pages. */
export const jobFindables = (
  jobs: readonly JobSummary[],
  profiles: readonly Pick<DeviceProfile, 'id' | 'name' | 'summary'>[],
  { tell }: Pick<Words, 'tell'>,
): readonly Findable[] => [
  ...jobs.map(({ id, name, place, loops }): Findable => ({
    ...{ id: `job/${id}`, kind: 'job', what: name, at: ['jobs', id] },
    where: [place, `${loops} loop${loops === 1 ? '' : 's'}`].filter(Boolean).join(', '),
  })),
  ...profiles.map(({ id, name, summary }): Findable => ({
    ...{ id: `device/${id}`, kind: 'device', what: name, where: tell(summary), at: ['shelf', id] },
  })),
  ...calculatorFindables,
  ...pages.map(({ what, where, at }): Findable => ({ id: `page/${what}`, kind: 'page', what, where, at })),
]

/** The way to what was found outside a job. */
export const placeAddress = ({ at }: Pick<Findable, 'at'>): string => `/${at.map(encodeURIComponent).join('/')}`
