import type { Answer, Answers } from './answers'
import { type Practice, standardOf, type WiringStandard } from '../units/practice'
import type { Quantity } from '../units/quantity'

/** One thing to find out on the first visit. */
export type Question = NumberQuestion | ChoiceQuestion

/** What stands in for an answer that nobody gave, by what was answered so far, and why. */
export interface Assumed {
  readonly as: Answer | ((answers: Answers) => Answer)
  readonly why: string
  /** Of a number that may as well be this much smaller or greater, as a factor. */
  readonly spread?: number
  /** Of a number that may as well lie this much lower or higher. */
  readonly within?: number
}

interface Common {
  readonly id: string
  readonly title: string
  /** How to find it out on site. */
  readonly hint: string
  /** Survey is done only when these are answered; the others carry an estimate, or an answer is assumed. */
  readonly required: boolean
  readonly group: string
  /** What is taken until somebody answers. */
  readonly assumed?: Assumed
  /** Enough to begin with: what it must hold, and what it switches. It stands open, whether answered or not. */
  readonly opens?: true
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
  /** Found only where wiring follows this standard. */
  readonly standard?: WiringStandard
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

/** The choices of a question as they are offered, by their keys. */
export const inOrder = ({ choices }: Pick<ChoiceQuestion, 'choices'>) =>
  Object.entries(choices).sort(([, a], [, b]) => a.order - b.order)

/** The choices that a practice knows, and the one that was chosen whatever it is: what was answered is never hidden. */
export const offeredIn = (question: Pick<ChoiceQuestion, 'choices'>, practice: Practice, chosen: unknown) =>
  inOrder(question).filter(
    ([id, { standard }]) => standard === undefined || standard === standardOf[practice] || id === chosen,
  )

type Choices = Readonly<Record<string, readonly [title: string, consequence: string, standard?: WiringStandard]>>

/** Choices from titles and consequences, in order. */
const choicesOf = (choices: Choices): ChoiceQuestion['choices'] =>
  Object.fromEntries(
    Object.entries(choices).map(([id, [title, consequence, standard]], i) => [
      id,
      { order: i + 1, title, consequence, ...(standard ? { standard } : {}) },
    ]),
  )

type Rest = Partial<Pick<Common, 'required' | 'when' | 'safety' | 'assumed' | 'opens'>>

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
  choices: Choices,
  hint: string,
  rest: Rest & Pick<ChoiceQuestion, 'school'> = {},
): ChoiceQuestion => ({ ask: 'choice', group, id, title, choices: choicesOf(choices), hint, required: false, ...rest })
