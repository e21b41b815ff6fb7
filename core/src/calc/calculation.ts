import type { FluidTable } from '../plant/brine'
import type { FieldData } from '../plant/fieldValue'
import type { ProbePart } from '../probes/probe'
import type { Fields } from './field'
import type { Picture } from './picture'

/** Curves and defaults that calculations are handed, so that core holds none of them. */
export interface CalcData {
  readonly fields: FieldData
  readonly parts: readonly ProbePart[]
  readonly fluids: readonly FluidTable[]
}

interface Example {
  readonly given: Readonly<Record<string, unknown>>
  readonly gives: Readonly<Record<string, unknown>>
  /** Where the expected values come from: print, or a sum by hand. Never the entry's own answer. */
  readonly source: string
  /** How far a number may be off, where print is rounded; otherwise five digits are held. */
  readonly within?: number | Readonly<Record<string, number>>
}

/** One entry of the registry: everything that screen, command line, HTTP and reference need of a calculation. */
export interface Calculation {
  readonly id: string
  readonly title: string
  /** What one would type to find it, beside its title and fields. */
  readonly find: string
  readonly inputs: Fields
  readonly outputs: Fields
  /** In words and letters, for reading. */
  readonly formula: string
  readonly source: string
  readonly cautions?: readonly string[]
  readonly examples: readonly Example[]
  readonly run: (input: never, data: CalcData) => Readonly<Record<string, unknown>>
  /** What to draw of an answer, where a drawing says more than a number. */
  readonly picture?: (input: never, output: never, data: CalcData) => Picture | null
}

type Entry<I> = Omit<Calculation, 'run' | 'picture'> & {
  readonly run: (input: I, data: CalcData) => object
  readonly picture?: (input: I, output: Readonly<Record<string, unknown>>, data: CalcData) => Picture | null
}

/** Declares an entry with its input typed as the pure function wants it; the registry has checked it by then. */
export const defineCalculation = <I>(entry: Entry<I>): Calculation => entry as unknown as Calculation
