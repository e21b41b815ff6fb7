import type { Category, Effect } from '../choices/deviceChoices'
import type { FieldData, FieldValue } from '../plant/fieldValue'

/** What a survey looks at in the chain that was chosen. */
interface AskedChain {
  readonly devices: readonly {
    readonly nameplate?: { readonly givesW?: number; readonly powerW?: number }
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

/** What the sources of a power say of it, whichever counts. */
interface PowerTold {
  readonly answeredW?: number
  /** The plates of the loads that are there, and what is given beside them, together. */
  readonly platesW?: number
  /** By what they do its loads are known. */
  readonly effects: readonly Effect[]
  /** Given beside the loads. */
  readonly alsoW: number
}

/**
 * A survey figure as it counts: measured on site, read on the plates of the very devices, answered, usual for the devices of the shelf that
 * were chosen, or estimated and from what.
 */
export interface SurveyFigure {
  readonly value: number
  readonly source: 'measured' | 'nameplate' | 'answer' | 'chain' | 'estimate'
  readonly low?: number
  readonly high?: number
  readonly why: string
  readonly worked?: CalcCall
  readonly told?: PowerTold
}

export type Estimate = Omit<SurveyFigure, 'source' | 'told'>

/** The answers of a survey, and how what was not answered is filled in. Keeps a record of every figure that it gives out. */
export interface Asked {
  readonly data: FieldData
  readonly chain: AskedChain
  readonly figures: Readonly<Record<string, SurveyFigure>>
  /** A required number. */
  readonly number: (id: string) => number
  readonly choice: <T extends string>(id: string, options: readonly T[], otherwise: T) => T
  /** The answer, else what the chosen devices tell, else the estimate. */
  readonly take: (id: string, estimate: Estimate, chosen?: Estimate) => number
  /** The answer, else a row of the field data, scaled. */
  readonly typical: (id: string, row: string, scale?: number) => number
  /**
   * What was measured, else what stands on the own plates of the chain's loads of these effects together (and what is given beside them),
   * else the answer, what such loads usually give, or the estimate.
   */
  readonly power: (id: string, effects: readonly Effect[], estimate: Estimate, alsoW?: number) => number
}

/** A row of field data times what it counts for, as an estimate with its spread. */
export const sized = (
  { low, typical, high }: Pick<FieldValue, 'low' | 'typical' | 'high'>,
  factor: number,
  why: string,
): Estimate => ({ value: typical * factor, low: low * factor, high: high * factor, why })
