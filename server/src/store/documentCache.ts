import type { Documents } from '@nachtigal/core/job/applyChange'

/** A job as it stood after a row of its log. */
export interface Held {
  readonly revision: number
  readonly documents: Documents
}

/** Most jobs whose documents are held in memory. */
const MOST_HELD = 64

/**
 * Documents of jobs that were read or written lately. They are never changed in place, so what did not change is the very same object
 * from one revision to the next. Nothing here is believed without its revision: another process may have written meanwhile.
 */
export class DocumentCache {
  private readonly held = new Map<string, Held>()

  get(jobId: string): Held | undefined {
    const found = this.held.get(jobId)
    if (found) {
      // The one asked for last goes out last.
      this.held.delete(jobId)
      this.held.set(jobId, found)
    }
    return found
  }

  /** Keeps the newest that was seen of a job. */
  put(jobId: string, held: Held) {
    if ((this.held.get(jobId)?.revision ?? -1) > held.revision) return
    this.held.delete(jobId)
    this.held.set(jobId, held)
    const [oldest] = this.held.keys()
    if (this.held.size > MOST_HELD && oldest !== undefined) this.held.delete(oldest)
  }

  clear() {
    this.held.clear()
  }
}
