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
