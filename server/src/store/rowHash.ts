import { createHash } from 'node:crypto'
import { type Command, firstHash, hashText, type LogRow } from '@nachtigal/core/document/command'

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

/**
 * Sequence of the first row whose link is broken, or undefined when all of these hold.
 * @param after sequence of the row that they follow, with its hash
 */
export function brokenLink(log: readonly LogRow[], after = 0, hashBefore = firstHash): number | undefined {
  let previousHash = hashBefore
  for (const [i, row] of log.entries()) {
    const at = after + i + 1
    if (row.sequence !== at || row.previousHash !== previousHash || row.hash !== rowHash(row)) return at
    previousHash = row.hash
  }
  return undefined
}
