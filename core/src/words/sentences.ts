/** What a finding says: what was found, why it matters with the figure, what to do next. */
export interface Sentences {
  readonly head: string
  readonly reason: string
  readonly remedy: string
}

/** What is found of a test: its verdict, why, and, where its first cause does not say it, what to do next. */
export interface VerdictWords {
  readonly head: string
  readonly reason: string
  readonly next?: string
}

/** What may be behind a wrong reading: what it is, and what to read or do to know. */
export interface CauseWords {
  readonly says: string
  readonly check: string
}

/** What is said of a connection: what goes over it in three words, why it fits or not, and what to do. */
export interface ConnectionWords {
  readonly passes: string
  readonly reason: string
  readonly remedy?: string
}

/** What a simulated run says: what happened, with its numbers, and what to do next. */
export interface RunWords {
  readonly head: string
  readonly reason: string
  readonly next?: string | undefined
}

/** What is said of a safety step: what stands behind the reading or the answer, and what to do next. */
export interface StepWords {
  readonly cause: string
  readonly next: string
}
