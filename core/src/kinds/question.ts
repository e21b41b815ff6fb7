import type { Answer } from './answers'
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
  /** Asked only where another answer is one of these. */
  readonly when?: { readonly question: string; readonly is: readonly string[] }
  /** Somebody may be hurt by what it asks for: while nobody has answered, first live and signing stay shut. */
  readonly safety?: true
}

export interface NumberQuestion extends Common {
  readonly ask: 'number'
  readonly quantity: Quantity
  /** What a figure must lie in to be taken at all, SI. */
  readonly low: number
  readonly high: number
  /** Ways of working it out from what can be measured on site, by their ids. */
  readonly ways?: readonly string[]
}

interface Choice {
  readonly order: number
  readonly title: string
  /** What follows from it. Figures in braces, for `tell`. */
  readonly consequence: string
}

export interface ChoiceQuestion extends Common {
  readonly ask: 'choice'
  readonly choices: Readonly<Record<string, Choice>>
  /** Fitters disagree here: every choice is shown with what follows from it. */
  readonly school?: true
}

/** Whether a question is to be asked, given what was answered so far. */
export const isAsked = ({ when }: Question, answers: Readonly<Record<string, Answer>>) =>
  when === undefined || when.is.includes(String(answers[when.question]))

/** Choices from titles and consequences, in order. */
const choicesOf = (
  choices: Readonly<Record<string, readonly [title: string, consequence: string]>>,
): ChoiceQuestion['choices'] =>
  Object.fromEntries(
    Object.entries(choices).map(([id, [title, consequence]], i) => [id, { order: i + 1, title, consequence }]),
  )

type Rest = Partial<Pick<Common, 'required' | 'when' | 'safety'>>

/** A question that takes a number. */
export const asks = (
  group: string,
  id: string,
  title: string,
  quantity: Quantity,
  [low, high]: readonly [number, number],
  hint: string,
  rest: Rest & Pick<NumberQuestion, 'ways'> = {},
): NumberQuestion => ({ ask: 'number', group, id, title, quantity, low, high, hint, required: false, ...rest })

/** A question that takes one of several choices. */
export const asksWhich = (
  group: string,
  id: string,
  title: string,
  choices: Readonly<Record<string, readonly [title: string, consequence: string]>>,
  hint: string,
  rest: Rest & Pick<ChoiceQuestion, 'school'> = {},
): ChoiceQuestion => ({ ask: 'choice', group, id, title, choices: choicesOf(choices), hint, required: false, ...rest })
