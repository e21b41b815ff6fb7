import type { Category, Effect } from '../choices/deviceChoices'
import type { FieldData, FieldValue } from '../plant/fieldValue'

/** What a survey looks at in the chain that was chosen. */
interface AskedChain {
  readonly devices: readonly {
    readonly facts: {
      readonly category: Category
      readonly load?: { readonly movesM3h?: number }
      readonly ports: Readonly<Record<string, AskedPort>>
    }
  }[]
}

/** A port, as far as what it does to the plant is told by its device. */
interface AskedPort {
  readonly kind: string
  readonly does?: Effect
  readonly load?: { readonly powerW: number }
}

/** A call of a registered calculation: what the screen opens when a worked-out number is tapped. */
export interface CalcCall {
  readonly calc: string
  readonly input: Readonly<Record<string, unknown>>
  readonly output: string
}

/** A survey figure as it counts: answered on site, told by the chain, or estimated and from what. */
export interface SurveyFigure {
  readonly value: number
  readonly source: 'answer' | 'chain' | 'estimate'
  readonly low?: number
  readonly high?: number
  readonly why: string
  readonly worked?: CalcCall
}

export type Estimate = Omit<SurveyFigure, 'source'>

/** The answers of a survey, and how what was not answered is filled in. Keeps a record of every figure that it gives out. */
export interface Asked {
  readonly data: FieldData
  readonly chain: AskedChain
  readonly figures: Readonly<Record<string, SurveyFigure>>
  /** A required number. */
  readonly number: (id: string) => number
  readonly choice: <T extends string>(id: string, options: readonly T[], otherwise: T) => T
  /** The answer, else the estimate. */
  readonly take: (id: string, estimate: Estimate) => number
  /** The answer, else a row of the field data, scaled. */
  readonly typical: (id: string, row: string, scale?: number) => number
  /** The answer, else what the chain's loads of these effects give together (and what they give beside that), else the estimate. */
  readonly power: (id: string, effects: readonly Effect[], estimate: Estimate, alsoW?: number) => number
}

/** A row of field data times what it counts for, as an estimate with its spread. */
export const sized = (
  { low, typical, high }: Pick<FieldValue, 'low' | 'typical' | 'high'>,
  factor: number,
  why: string,
): Estimate => ({ value: typical * factor, low: low * factor, high: high * factor, why })
