import { createHash } from 'node:crypto'
import { type Command, firstHash, hashText, type LogRow } from '@nachtigal/core/job/command'

/** Hash of a log row: SHA-256 over its canonical text with the hash of the row before. */
export function rowHash(row: {
  readonly sequence: number
  readonly receivedAt: string
  readonly command: Command
  readonly previousHash: string
}): string {
  const { sequence, receivedAt, command, previousHash } = row
  return createHash('sha256').update(hashText({ sequence, receivedAt, command, previousHash })).digest('hex')
}

/** Sequence of the first row whose link is broken, or undefined when the whole chain holds. */
export function brokenLink(log: readonly LogRow[]): number | undefined {
  let previousHash = firstHash
  for (const [i, row] of log.entries()) {
    if (row.sequence !== i + 1 || row.previousHash !== previousHash || row.hash !== rowHash(row)) return i + 1
    previousHash = row.hash
  }
  return undefined
}
