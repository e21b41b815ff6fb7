import { jobRecord } from '../document/fields/jobFields'
import { record } from '../schema/field'
import type { JobDocument } from '../document/documents'
import { defineAction } from './action'

const { name, place, practice, temperatureUnit, system } = jobRecord.fields

/** The job with other details. */
export const withDetails = (job: JobDocument, details: Partial<JobDocument>): JobDocument => ({ ...job, ...details })

/** Writes name, place, practice and units of the job. */
export const writeJobDetails = defineAction({
  id: 'write-job-details',
  did: 'changed the job\u2019s details',
  input: record('job', { name, place, practice, temperatureUnit, system }),
  run: ({ job, loop }, details) => ({ job: withDetails(job, details), loop }),
})
