import type { Documents } from '@nachtigal/core/job/applyChange'

/** A job as it stood after a row of its log. */
export interface Held {
  readonly revision: number
  readonly documents: Documents
  /** Hash of the newest row, from which the next one goes on. */
  readonly headHash: string | null
}

/** Most jobs whose documents are held in memory. */
const MOST_HELD = 64

/**
 * Documents of jobs that were read or written lately. They are never changed in place, so what did not change is the very same object
 * from one revision to the next. Nothing here is believed without its revision: another process may have written meanwhile.
 */
export class DocumentCache {
  private readonly held = new Map<string, Held>()
  /** Rows that others were heard to have written. */
  private readonly heard = new Map<string, number>()

  get(jobId: string): Held | undefined {
    const found = this.held.get(jobId)
    if (found) {
      // The one asked for last goes out last.
      this.held.delete(jobId)
      this.held.set(jobId, found)
    }
    return found
  }

  /** What is held of a job, unless somebody was heard to have written since. */
  current(jobId: string): Held | undefined {
    const found = this.get(jobId)
    return found && found.revision >= (this.heard.get(jobId) ?? 0) ? found : undefined
  }

  /** Another process was heard to have written a row. */
  hear(jobId: string, sequence: number) {
    if (this.held.has(jobId)) this.heard.set(jobId, Math.max(sequence, this.heard.get(jobId) ?? 0))
  }

  /** Keeps the newest that was seen of a job. */
  put(jobId: string, held: Held) {
    if ((this.held.get(jobId)?.revision ?? -1) > held.revision) return
    this.held.delete(jobId)
    this.held.set(jobId, held)
    const [oldest] = this.held.keys()
    if (this.held.size > MOST_HELD && oldest !== undefined) {
      this.held.delete(oldest)
      this.heard.delete(oldest)
    }
  }

  clear() {
    this.held.clear()
    this.heard.clear()
  }
}
