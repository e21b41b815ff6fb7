import type { Quantity } from '../units/quantity'

/** One thing to find out on the first visit. */
export type Question = NumberQuestion | ChoiceQuestion

interface Common {
  readonly id: string
  readonly title: string
  /** How to find it out on site. */
  readonly hint: string
  /** Survey is done only when these are answered; the others carry an estimate. */
  readonly required: boolean
  readonly group: string
}

export interface NumberQuestion extends Common {
  readonly ask: 'number'
  readonly quantity: Quantity
  /** What a figure must lie in to be taken at all, SI. */
  readonly low: number
  readonly high: number
}

export interface ChoiceQuestion extends Common {
  readonly ask: 'choice'
  readonly choices: Readonly<
    Record<
      string,
      {
        readonly order: number
        readonly title: string
        /** Figures in braces, for `tell`. */
        readonly consequence: string
      }
    >
  >
}
