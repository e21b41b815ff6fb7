import type { FieldData } from '../plant/fieldValue'
import type { Fields } from './field'

/** One entry of the registry: everything that screen, command line, HTTP and reference need of a calculation. */
export interface Calculation {
  readonly id: string
  readonly title: string
  readonly inputs: Fields
  readonly outputs: Fields
  /** In words and letters, for reading. */
  readonly formula: string
  readonly source: string
  readonly cautions?: readonly string[]
  readonly examples: readonly {
    readonly given: Readonly<Record<string, unknown>>
    readonly gives: Readonly<Record<string, unknown>>
  }[]
  readonly run: (input: never, data: FieldData) => Readonly<Record<string, unknown>>
}

type Entry<I> = Omit<Calculation, 'run'> & { readonly run: (input: I, data: FieldData) => object }

/** Declares an entry with its input typed as the pure function wants it; the registry has checked it by then. */
export const defineCalculation = <I>(entry: Entry<I>): Calculation => entry as unknown as Calculation
