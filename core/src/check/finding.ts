import type { FindingCode } from '../words/sayFinding'
import type { Sentences } from '../words/sentences'
import type { CalcCall } from '../kinds/asked'
import type { WorkflowStep } from '../kinds/hazards'
import type { Fix } from '../shapes/fix'

export type Severity = 'stop' | 'look-again' | 'note'

/** Something a rule found, as a code and figures. Codes are never reused: retired codes are listed here. None so far. */
export interface Found {
  readonly code: FindingCode
  readonly severity: Severity
  /** A safety finding cannot be reasoned away. */
  readonly safety: boolean
  /** Stage where it is mended. */
  readonly step: WorkflowStep
  /** What it is about: a planned output, a device, a connection; so that one code can stand several times. */
  readonly about: string
  /** What was found as figures, apart from the sentences that tell it. */
  readonly figures: object
  /** The arithmetic behind it. */
  readonly worked?: readonly CalcCall[]
  /** A remedy that can be carried out by a tap. */
  readonly fix?: Fix
}

/** What a rule found, told in the reader's units. */
export interface Finding extends Found, Sentences {}

const rank: Record<Severity, number> = { stop: 0, 'look-again': 1, note: 2 }

/** Stops first, then by stage order of appearance. */
export const bySeverity = (a: Pick<Found, 'severity'>, b: Pick<Found, 'severity'>) =>
  rank[a.severity] - rank[b.severity]

/** Whether a finding may be closed with a name and a reason: never a safety stop, never a failed test. */
export const mayBeClosed = ({ safety, code }: Pick<Found, 'safety' | 'code'>) =>
  !safety && code !== TEST_FAILED && code !== SAFETY_UNANSWERED

/** Code of a finding that a failed test makes. */
export const TEST_FAILED = 'C050_TEST_FAILED' satisfies FindingCode

/** Code of the finding that safety questions wait for an answer: it closes by answering alone. */
export const SAFETY_UNANSWERED = 'C140_SAFETY_UNANSWERED' satisfies FindingCode

/** Code of the finding that steps before power still wait. */
export const TESTS_OPEN = 'C087_DEAD_TESTS_OPEN' satisfies FindingCode

/** Identity of a finding, for closing it with a reason. */
export const findingKey = ({ code, about }: Pick<Found, 'code' | 'about'>) => `${code}/${about}`
