import type { JobDocument, LoopDocument } from '../document/documents'

/** A job and one of its loops, edited together: shared devices and profile copies live in the job. */
export interface Edited {
  readonly job: JobDocument
  readonly loop: LoopDocument
}
