import type { Documents } from '@nachtigal/core/document/applyChange'
import type { Command } from '@nachtigal/core/document/command'

/** A job as it stood after a row of its log. */
export interface Held {
  readonly revision: number
  readonly documents: Documents
  /** Hash of the newest row, from which the next one goes on. */
  readonly headHash: string | null
}

interface Row {
  readonly sequence: number
  readonly command: Command
}

/** Newest commands of a job that are remembered. */
const MOST_RECENT = 50

/** Most jobs whose documents are held in memory. */
const MOST_HELD = 128

/**
 * Documents of jobs that were read or written lately. They are never changed in place, so what did not change is the very same object
 * from one revision to the next. Unless it is alone, nothing here is believed without its revision: another process may have written meanwhile.
 */
export class DocumentCache {
  private readonly held = new Map<string, Held>()
  /** Rows that others were heard to have written. */
  private readonly heard = new Map<string, number>()
  /** Jobs of which nobody knows what was written while nothing was heard. */
  private readonly doubted = new Set<string>()
  /** The newest commands of each job, for those who read along. */
  private readonly recent = new Map<string, readonly Row[]>()

  /** @param alone nobody but this process writes */
  constructor(readonly alone = false) {}

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
    return found && !this.doubted.has(jobId) && found.revision >= (this.heard.get(jobId) ?? 0) ? found : undefined
  }

  /** Another process was heard to have written a row. */
  hear(jobId: string, sequence: number) {
    if (this.held.has(jobId)) this.heard.set(jobId, Math.max(sequence, this.heard.get(jobId) ?? 0))
  }

  /** What others write was not heard for a while: whatever is held is looked at again before it is believed. */
  doubt() {
    for (const jobId of this.held.keys()) this.doubted.add(jobId)
  }

  /** Commands after a row up to the newest that is held; nothing where not all of them are remembered. */
  rowsAfter(jobId: string, sequence: number): readonly Command[] | undefined {
    const rows = (this.recent.get(jobId) ?? []).filter((row) => row.sequence > sequence)
    const newest = this.held.get(jobId)?.revision ?? 0
    // One after the other without a gap: those between may have been read with the whole.
    return rows.length === newest - sequence && rows.every((row, i) => row.sequence === sequence + 1 + i)
      ? rows.map(({ command }) => command)
      : undefined
  }

  /**
   * Keeps the newest that was seen of a job.
   * @param rows those that led to it from what was held
   */
  put(jobId: string, held: Held, rows: readonly Row[] = []) {
    if ((this.held.get(jobId)?.revision ?? -1) > held.revision) return
    this.held.delete(jobId)
    this.held.set(jobId, held)
    this.doubted.delete(jobId)
    const known = this.recent.get(jobId) ?? []
    // Two who read at once bring the same rows.
    const fresh = rows.filter(({ sequence }) => sequence > (known.at(-1)?.sequence ?? 0))
    if (fresh.length > 0) this.recent.set(jobId, [...known, ...fresh].slice(-MOST_RECENT))
    const [oldest] = this.held.keys()
    if (this.held.size > MOST_HELD && oldest !== undefined) {
      this.held.delete(oldest)
      this.heard.delete(oldest)
      this.doubted.delete(oldest)
      this.recent.delete(oldest)
    }
  }

  clear() {
    this.held.clear()
    this.heard.clear()
    this.doubted.clear()
    this.recent.clear()
  }
}
