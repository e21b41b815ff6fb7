import type { JobSummary } from '@nachtigal/contract/api'

export const orders = [
  { id: 'change', title: 'by last change' },
  { id: 'place', title: 'by place' },
  { id: 'name', title: 'by name' },
] as const
export type Order = (typeof orders)[number]['id']

const by: Readonly<Record<Order, (a: JobSummary, b: JobSummary) => number>> = {
  change: (a, b) => b.changedAt.localeCompare(a.changedAt),
  // A job without a place comes last.
  place: (a, b) =>
    Number(a.place === '') - Number(b.place === '') || a.place.localeCompare(b.place) || a.name.localeCompare(b.name),
  name: (a, b) => a.name.localeCompare(b.name),
}

/** The jobs in the order that was asked for; those that are equal in it as the server gave them. */
export const sortedJobs = (jobs: readonly JobSummary[], order: Order): readonly JobSummary[] =>
  [...jobs].sort(by[order])
