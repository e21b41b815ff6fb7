export const dialContacts = ['opens-on-rise', 'closes-on-rise'] as const
export const dialMarkings = ['cut-in', 'cut-out', 'centre'] as const

export interface DialTestInput {
  readonly ambientC: number
  readonly contact: (typeof dialContacts)[number]
  /** Where the dial stood when the contact closed and when it opened. */
  readonly closedAtDialC: number
  readonly openedAtDialC: number
  readonly dialMarks: (typeof dialMarkings)[number]
  readonly toleranceK: number
  readonly adjustLimitK?: number | undefined
}

interface DialTest {
  readonly swingK: number | null
  readonly dialErrorK: number | null
  readonly verdict: 'good' | 'adjust' | 'replace' | null
  readonly reason?: 'wrong-terminals'
}

/**
 * A mechanical thermostat tried by turning its dial at a steady temperature, with an ohmmeter on the contact.
 * A contact that opens on rise (heating) closes as the dial is turned up past the swing and opens at its cut-out as it is turned
 * down: swing = closed − opened; for one that closes on rise it is opened − closed. Dial error = the dial where its mark says it acts
 * (closed for cut-in, opened for cut-out, the middle for centre) − ambient. A swing of 0 or less means the other pair of terminals.
 * Formula: swing = closed − opened dial; dial error = where the marks should read − the ambient. Source: by hand, from what the dial marks.
 * @example dialTest({ ambientC: 20, contact: 'opens-on-rise', closedAtDialC: 21.5, openedAtDialC: 20, dialMarks: 'cut-out', toleranceK: 1 }).swingK // 1.5
 */
export function dialTest(input: DialTestInput): DialTest {
  const { ambientC, contact, closedAtDialC, openedAtDialC, dialMarks, toleranceK, adjustLimitK } = input
  const swingK = contact === 'opens-on-rise' ? closedAtDialC - openedAtDialC : openedAtDialC - closedAtDialC
  if (!(swingK > 0)) return { swingK: null, dialErrorK: null, verdict: null, reason: 'wrong-terminals' }
  const marked = {
    'cut-in': closedAtDialC,
    'cut-out': openedAtDialC,
    centre: (closedAtDialC + openedAtDialC) / 2,
  }[dialMarks]
  const dialErrorK = marked - ambientC
  const off = Math.abs(dialErrorK) - 1e-9
  const verdict = off <= toleranceK ? 'good' : adjustLimitK !== undefined && off > adjustLimitK ? 'replace' : 'adjust'
  return { swingK, dialErrorK, verdict }
}
