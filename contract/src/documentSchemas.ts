import { jobRecord } from '@nachtigal/core/document/fields/jobFields'
import { loopRecord } from '@nachtigal/core/document/fields/loopFields'
import { onOffRecord } from '@nachtigal/core/settings/switching/fields'
import { deviceRecord } from '@nachtigal/core/device/fields/deviceFields'
import type { Field } from '@nachtigal/core/schema/field'
import { answersRefusal } from './answersRefusal'
import type { Part, WholeCheck } from './parts'
import { partOf } from './partOf'
import { deviceRefusal } from './profileRefusal'
import { switchingRefusal } from './switchingRefusal'

const checks: ReadonlyMap<Field, WholeCheck> = new Map<Field, WholeCheck>([
  [deviceRecord, deviceRefusal],
  [loopRecord, answersRefusal],
  [onOffRecord, switchingRefusal],
])

export const jobSchema = partOf(jobRecord, checks)
export const loopSchema = partOf(loopRecord, checks)

/** What a document of a job is held to: the job itself, or one of its loops. */
export const documentSchema = (id: string, jobId: string): Part => (id === jobId ? jobSchema : loopSchema)
