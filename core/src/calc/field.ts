import type { Quantity } from '../units/quantity'

interface Named {
  readonly title: string
  readonly optional?: true
  /** How to find it out, or what it means, in a line. */
  readonly hint?: string
  /** Asked only where another input is one of these: its choice, or its kind. */
  readonly when?: { readonly input: string; readonly is: readonly string[] }
  /** The letter that stands for it in the formula. */
  readonly symbol?: string
}

export interface NumberField extends Named {
  readonly type: 'number'
  readonly quantity: Quantity
  readonly min?: number
  readonly max?: number
  /** A bound that cannot be reached. */
  readonly over?: number
  readonly nullable?: true
  readonly integer?: true
  /** Typed with k or M as meters show it: 12k, 0.4M. Resistances always are. */
  readonly prefixed?: true
  /** What counts when it is left out. */
  readonly default?: number
}

/** What an answer means at a glance. */
export type Tone = 'fits' | 'look' | 'stop'

interface ChoiceField extends Named {
  readonly type: 'choice'
  readonly choices: readonly string[]
  /** Accepted, but not offered in forms: another spelling of one that is. */
  readonly alsoAccepted?: readonly string[]
  /** Each choice in a fitter's words. */
  readonly says?: Readonly<Record<string, string>>
  readonly tones?: Readonly<Record<string, Tone>>
  readonly nullable?: true
  readonly default?: string
}

/** One input or output of a calculation: what it is called, what it is, what is allowed. */
export type Field =
  | NumberField
  | ChoiceField
  | (Named & {
      readonly type: 'boolean'
      readonly nullable?: true
      readonly default?: boolean
      readonly tones?: { readonly yes?: Tone; readonly no?: Tone }
    })
  | (Named & {
      readonly type: 'text'
      readonly like?: string
      readonly longest?: number
      readonly nullable?: true
      /** Nothing is a text too. */
      readonly mayBeEmpty?: true
      /** Names that are known, for a form to choose from. */
      readonly from?: 'parts'
    })
  | (Named & { readonly type: 'list'; readonly of: Field; readonly least?: number; readonly most?: number })
  | (Named & { readonly type: 'tuple'; readonly items: readonly Field[] })
  | (Named & { readonly type: 'object'; readonly fields: Fields; readonly nullable?: true })
  /** One of several shapes, told apart by `kind`. */
  | (Named & {
      readonly type: 'variant'
      readonly of: Readonly<Record<string, Fields>>
      readonly says?: Readonly<Record<string, string>>
    })
  /** A number, or one of a few words in its place; without words any short text. */
  | (Named & { readonly type: 'either'; readonly number: NumberField; readonly words?: readonly string[] })
  /** Contacts in series and parallel. */
  | (Named & { readonly type: 'expression' })
  /** Whatever: only for outputs whose keys are the user's own names. */
  | (Named & { readonly type: 'map'; readonly of: Field })

export type Fields = Readonly<Record<string, Field>>

type NumberOptions = Omit<NumberField, 'type' | 'title' | 'quantity' | 'optional'>

/** A number with its quantity: bounds and default in the unit that the core stores. */
export const number = (title: string, quantity: Quantity, options: NumberOptions = {}): NumberField => ({
  type: 'number',
  title,
  quantity,
  ...options,
})
/** One of several ids, each with its title. */
export const choice = (
  title: string,
  choices: readonly string[],
  options: Omit<ChoiceField, 'type' | 'title' | 'choices' | 'optional'> = {},
): ChoiceField => ({ type: 'choice', title, choices, ...options })
/** Yes or no. */
export const yes = (
  title: string,
  options: {
    readonly hint?: string
    readonly default?: boolean
    readonly tones?: { readonly yes?: Tone; readonly no?: Tone }
  } = {},
): Field => ({
  type: 'boolean',
  title,
  ...options,
})
/** Text, with the most characters that it may have. */
export const text = (
  title: string,
  options: {
    readonly hint?: string
    readonly like?: string
    readonly longest?: number
    readonly mayBeEmpty?: true
  } = {},
): Field => ({
  type: 'text',
  title,
  ...options,
})
/** Several of one kind, with the fewest and the most. */
export const list = (
  title: string,
  of: Field,
  options: { readonly least?: number; readonly most?: number; readonly hint?: string } = {},
): Field => ({ type: 'list', title, of, ...options })
/** Several fields under one title. */
export const object = (title: string, fields: Fields): Field => ({ type: 'object', title, fields })
/** A field that may be left out. */
export const optional = <F extends Field>(field: F): F => ({ ...field, optional: true })
/** A field that may be null: what cannot be had. */
export const nullable = <F extends NumberField | ChoiceField>(field: F): F => ({ ...field, nullable: true })
