import type { Quantity } from '../units/quantity'

/** What any field of a record may say of itself. */
interface Named {
  /** What it is called in the log, on a form and where it is refused, in a fitter's words; the key where left out. */
  readonly word?: string
  readonly optional?: true
  /** Version of the document since which it is there; left out where it was from the first. */
  readonly since?: number
  /**
   * Written as a whole: half of one reading against half of another would mean nothing, so a change names all of it. Only records and maps
   * need to say so.
   */
  readonly atomic?: true
  /** A part that comes into being member by member, so that two who add to the same new one do not clash. */
  readonly grows?: true
}

export interface NumberField extends Named {
  readonly type: 'number'
  readonly quantity: Quantity
  readonly min?: number
  readonly max?: number
  /** A bound that cannot be reached. */
  readonly over?: number
}

/** Always the same: the version and the sort of a document. */
export interface ConstantField extends Named {
  readonly type: 'constant'
  readonly is: string | number
}

/** One of a few figures. */
export interface FigureField extends Named {
  readonly type: 'figure'
  readonly among: readonly number[]
}

export interface ChoiceField extends Named {
  readonly type: 'choice'
  readonly choices: readonly string[]
  /** Each choice in a fitter's words; the choice itself where left out. */
  readonly says?: Readonly<Record<string, string>>
}

/** What a text must be: anything, something, or something of a certain shape. */
type TextForm = 'any' | 'filled' | 'id' | 'instant' | 'day' | 'clock' | 'weekdays' | 'sha256'

export interface TextField extends Named {
  readonly type: 'text'
  readonly form: TextForm
  readonly longest: number
  /** Names an entry of another part of the same record: a terminal, a level of the menu. */
  readonly names?: string
}

/** True or left out. */
export interface FlagField extends Named {
  readonly type: 'flag'
}

export interface YesField extends Named {
  readonly type: 'yes'
}

/** A number, or a text in its place: one of a few words, or any that is short. */
export interface EitherField extends Named {
  readonly type: 'either'
  readonly number: NumberField
  readonly words?: readonly string[]
  readonly longest: number
}

export interface ListField extends Named {
  readonly type: 'list'
  readonly of: Field
  readonly least: number
  readonly most: number
}

export interface TupleField extends Named {
  readonly type: 'tuple'
  readonly items: readonly Field[]
}

export interface RecordField extends Named {
  readonly type: 'record'
  readonly fields: Fields
}

/** A map by id; where the members have an `order`, that is their place. */
export interface MapField extends Named {
  readonly type: 'map'
  readonly of: Field
  readonly most: number
}

/** One of several records, told apart by their member `kind`. */
export interface VariantField extends Named {
  readonly type: 'variant'
  readonly of: Readonly<Record<string, RecordField>>
}

/** An object whose members are judged where it is used. */
export interface OpenField extends Named {
  readonly type: 'open'
}

export type Field =
  | NumberField
  | ConstantField
  | FigureField
  | ChoiceField
  | TextField
  | FlagField
  | YesField
  | EitherField
  | ListField
  | TupleField
  | RecordField
  | MapField
  | VariantField
  | OpenField

export type Fields = Readonly<Record<string, Field>>

type Said<F extends Field> = Omit<F, 'type' | 'optional'>

/** Most entries of a map where it says nothing else; keeps hostile documents small. */
const MOST_ENTRIES = 500
const LONGEST_TEXT = 200

/** A number with its quantity and bounds, in the unit that documents store. */
export const number = <const O extends Omit<Said<NumberField>, 'quantity' | 'word'>>(
  word: string,
  quantity: Quantity,
  options: O = {} as O,
) => ({ type: 'number', word, quantity, ...options }) satisfies NumberField as NumberField & O
/** One value and no other: a version, a type. */
export const constant = <const V extends string | number>(is: V) => ({ type: 'constant', is }) as const
/** One of a few numbers. */
export const figure = <const N extends number>(word: string, among: readonly N[]) =>
  ({ type: 'figure', word, among }) as const
/** One of several ids, with the words of each. */
export const choice = <const C extends string>(
  word: string,
  choices: readonly C[],
  says?: Readonly<Partial<Record<C, string>>>,
) =>
  ({ type: 'choice', word, choices, ...(says ? { says } : {}) }) as ChoiceField & {
    readonly choices: readonly C[]
  }
const ofForm = (word: string, form: TextForm, longest: number): TextField => ({ type: 'text', word, form, longest })
/** Any text, none too. */
export const text = (word: string, longest = LONGEST_TEXT) => ofForm(word, 'any', longest)
/** A text that says something. */
export const filled = (word: string, longest = LONGEST_TEXT) => ofForm(word, 'filled', longest)
/** Key of an entry. @param names the part of the same record that has it */
export const id = (word: string, names?: string): TextField => ({
  ...ofForm(word, 'id', LONGEST_TEXT),
  ...(names === undefined ? {} : { names }),
})
/** A moment, as ISO text. */
export const instant = (word: string) => ofForm(word, 'instant', 40)
/** A day, as ISO text. */
export const day = (word: string) => ofForm(word, 'day', 10)
/** Wall time, as 06:30. */
export const clock = (word: string) => ofForm(word, 'clock', 5)
/** Days by 1 (Monday) to 7 (Sunday), in order. */
export const weekdays = (word: string) => ofForm(word, 'weekdays', 7)
/** Hash of something that is kept elsewhere. */
export const sha256 = (word: string) => ofForm(word, 'sha256', 64)
/** True, or left out. */
export const flag = (word: string) => ({ type: 'flag', word }) as const
/** True or false. */
export const yes = (word: string) => ({ type: 'yes', word }) as const
/** A number, or one of a few words in its place. */
export const either = <const W extends string = string>(
  word: string,
  number: NumberField,
  options: { readonly words?: readonly W[]; readonly longest?: number } = {},
) =>
  ({ type: 'either', word, number, longest: 40, ...options }) as EitherField & {
    readonly words?: readonly W[]
  }
/** Several of one kind, in order. */
export const list = <const F extends Field>(word: string, of: F, least: number, most: number) =>
  ({ type: 'list', word, of, least, most }) as const
/** So many, each of its own kind, in order. */
export const tuple = <const I extends readonly Field[]>(word: string, items: I) =>
  ({ type: 'tuple', word, items }) as const
/** Several fields under their keys. */
export const record = <const R extends Fields>(word: string, fields: R) => ({ type: 'record', word, fields }) as const
/** Several of one kind under ids of the client. */
export const map = <const F extends Field>(word: string, of: F, most = MOST_ENTRIES) =>
  ({ type: 'map', word, of, most }) as const
/** One of several records, told apart by a key. */
export const variant = <const V extends Readonly<Record<string, RecordField>>>(word: string, of: V) =>
  ({ type: 'variant', word, of }) as const
/** Whatever stands there: not looked into. */
export const open = (word: string) => ({ type: 'open', word }) as const
/** Several marks, each there or left out. */
export const flags = <const K extends string>(word: string, keys: readonly K[]) =>
  record(
    word,
    Object.fromEntries(keys.map((key) => [key, maybe(flag(key))])) as Readonly<
      Record<K, { readonly type: 'flag'; readonly word: string; readonly optional: true }>
    >,
  )

/** The same field, that may be left out. */
export const maybe = <const F extends Field>(field: F) =>
  ({ ...field, optional: true }) as F & { readonly optional: true }
/** The same field, with the version of its document that it came with. */
export const since = <const V extends number, const F extends Field>(version: V, field: F) =>
  ({ ...field, since: version }) as F & { readonly since: V }
/** The same field, written as a whole. */
export const whole = <const F extends Field>(field: F) => ({ ...field, atomic: true }) as F & { readonly atomic: true }
/** The same field, that comes into being member by member. */
export const growing = <const F extends Field>(field: F) => ({ ...field, grows: true }) as F & { readonly grows: true }
