import { createReadStream } from 'node:fs'
import path from 'node:path'
import { AppError } from './appError'
import type { JobStore } from './store/jobStore'

/** The job as it was found, and as it is to be. The last one stands on top of the list. */
const otterholm = ['otterholm-found.nachtigal.json', 'otterholm.nachtigal.json'] as const

/** Sets of demo jobs by their names: all of them, those in UK and US practice at the foot of the list, or Otterholm alone. */
const demos = {
  all: ['otterholm-outpost.nachtigal.json', 'juniper-hollow.nachtigal.json', ...otterholm],
  otterholm,
} as const
export type Demo = keyof typeof demos

/** The set of demo jobs that a word names; all where it names none. */
export const demoNamed = (word: string | undefined): Demo => (word === 'otterholm' ? word : 'all')

/** Opens the demo jobs that are not here yet; answers the one to begin with. */
export async function openDemo(
  store: Pick<JobStore, 'importFile'>,
  folder: string,
  demo: Demo = 'all',
): Promise<{ readonly jobId: string }> {
  let jobId = ''
  for (const file of demos[demo])
    try {
      ;({ jobId } = await store.importFile(createReadStream(path.join(folder, file))))
    } catch (error) {
      if (!(error instanceof AppError) || error.code !== 'JOB_EXISTS') throw error
      jobId = String(error.facts['jobId'])
    }
  return { jobId }
}
