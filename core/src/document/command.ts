/** One value of one document going from what it was to what it is to be. `null` means absent on either side. */
export interface Change {
  /** Id of the job or the loop. */
  readonly document: string
  /** Keys from the root; empty for the whole document (making or removing it). */
  readonly path: readonly string[]
  readonly from: unknown
  readonly to: unknown
}

/** A change as the client sends it and the log keeps it. */
export interface Command {
  /** UUID made by the client: the same id is applied once and answered as often as it comes. */
  readonly id: string
  readonly jobId: string
  /** The loop it was made on, for the log's filter; left out when it is the job itself. */
  readonly loopId?: string
  /** Revision of the job that the client saw; for display only. */
  readonly baseRevision: number
  readonly at: string
  readonly by: string
  readonly change: readonly Change[]
  readonly why?: string
  /** Which action made it; left out by what is none, and by earlier programs. */
  readonly action?: string
  /** Id of the command that this one takes back. */
  readonly undoes?: string
}

/** A command in the log: its place, when it arrived, and the chain of hashes. */
export interface LogRow {
  readonly sequence: number
  readonly receivedAt: string
  readonly command: Command
  readonly previousHash: string
  readonly hash: string
}

/** Text whose SHA-256 is the row's hash: any change to any row breaks every later one. */
export { canonicalJson as hashText } from './canonicalJson'

export const firstHash = '0'.repeat(64)
