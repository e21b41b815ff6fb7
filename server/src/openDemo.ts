import { createReadStream } from 'node:fs'
import path from 'node:path'
import { AppError } from './appError'
import type { JobStore } from './store/jobStore'

/** The job as it is to be, and as it was found. The last one stands on top of the list. */
const demoFiles = ['otterholm-found.nachtigal.json', 'otterholm.nachtigal.json']

/** Opens the demo jobs that are not here yet; answers the one to begin with. */
export async function openDemo(
  store: Pick<JobStore, 'importFile'>,
  folder: string,
): Promise<{ readonly jobId: string }> {
  let jobId = ''
  for (const file of demoFiles)
    try {
      ;({ jobId } = await store.importFile(createReadStream(path.join(folder, file))))
    } catch (error) {
      if (!(error instanceof AppError) || error.code !== 'JOB_EXISTS') throw error
      jobId = String(error.facts['jobId'])
    }
  return { jobId }
}
