/** What a finding says: what was found, why it matters with the figure, what to do next. */
export interface Sentences {
  readonly head: string
  readonly reason: string
  readonly remedy: string
}
