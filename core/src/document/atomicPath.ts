import { fieldAt } from '../schema/fieldAt'
import { jobRecord } from './fields/jobFields'
import { loopRecord } from './fields/loopFields'

/** The field of a loop or of a job that stands at a path; a loop's first, where both have one. */
export const documentField = (path: readonly string[]) => fieldAt(loopRecord, path) ?? fieldAt(jobRecord, path)

/** What an older program wrote and no document has any more; log rows still say it. */
const olderAtomic = (path: readonly string[]) => path[0] === 'proof' && path.length === 3

/**
 * Whether the value at a path is written as a whole: half of one plan, reading or profile against half of another would mean
 * nothing, so a change names all of it. Records of a variant always are.
 */
export function atomicPath(path: readonly string[]): boolean {
  const field = documentField(path)
  if (!field) return olderAtomic(path)
  return field.type === 'variant' || field.atomic === true
}

/** Whether what stands at a path comes into being member by member, so that two who add to the same new one do not clash. */
export const growingPath = (path: readonly string[]): boolean => documentField(path)?.grows === true
