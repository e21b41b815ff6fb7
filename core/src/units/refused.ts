/** What is wrong with a value, as facts: what it must be, and what it was held against. Values in SI. */
export type Why =
  | {
      readonly must: 'over' | 'under' | 'not over' | 'or more'
      readonly value: number
      readonly than: number
      /** The field that holds what it is held against, where one does. */
      readonly thanField?: string
      /** When this is asked for, to follow the rest. */
      readonly when?: string
    }
  | {
      readonly must: 'between'
      readonly value: number
      readonly low: number
      readonly high: number
      readonly when?: string
    }
  | { readonly must: 'other'; readonly says: string }

/**
 * What is wrong, as a sentence without its field.
 * @param shown how a value is written; plain SI where nothing else is given
 * @param named what a field is called; its own name where nothing else is given
 * @example whyWords({ must: 'over', value: -1, than: 0 }) // '-1 must be over 0'
 */
export function whyWords(
  why: Why,
  shown: (value: number, field?: string) => string = String,
  named: (field: string) => string = String,
): string {
  if (why.must === 'other') return why.says
  const when = why.when ?? ''
  if (why.must === 'between')
    return `${shown(why.value)} must lie between ${shown(why.low)} and ${shown(why.high)}${when}`
  const { must, value, than, thanField } = why
  const against = thanField === undefined ? shown(than) : `${named(thanField)} ${shown(than, thanField)}`
  if (must === 'or more') return `${shown(value)} must be ${against} or more${when}`
  return `${shown(value)} must ${must === 'not over' ? 'not be over' : `be ${must}`} ${against}${when}`
}

/** A value that nothing can be worked out with: its field and what is wrong with it. The message says both in SI. */
export class Refused extends RangeError {
  constructor(
    readonly field: string,
    readonly why: Why,
  ) {
    super(`${field} ${whyWords(why)}`)
  }
}
