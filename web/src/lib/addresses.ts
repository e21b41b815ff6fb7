import { href } from 'react-router'

/** The parts of a way, each as it may stand in an address. */
const joined = (way: readonly string[]) => way.map(encodeURIComponent).join('/')

/** Address of a page of a job: its board, or what lies at the way below it. */
export const jobAt = (jobId: string, ...way: readonly string[]): string =>
  href('/jobs/:jobId/*', { jobId: encodeURIComponent(jobId), '*': joined(way) }).replace(/\/$/, '')

/** Address of a page of a loop: a step, a part of it, a thing in it. */
export const loopAt = (jobId: string, loopId: string | undefined, ...way: readonly string[]): string =>
  jobAt(jobId, 'loops', ...(loopId === undefined ? [] : [loopId]), ...way)
