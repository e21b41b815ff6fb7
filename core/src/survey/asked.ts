import type { ResolvedChain } from '../document/chain'
import type { Answer } from '../document/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import type { Effect } from '../device/deviceProfile'

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
  readonly chain: ResolvedChain
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

/** What the loads of a chain give together, by what they do, W. */
export function chainPowerW(chain: ResolvedChain, effects: readonly Effect[]): number {
  return chain.devices.reduce((sum, { facts }) => {
    const given = Object.values(facts.ports).flatMap((port) =>
      'does' in port && effects.includes(port.does)
        ? [port.givesW ?? (port.kind === 'load' && port.does === 'element' ? port.load.powerW : 0)]
        : [],
    )
    // A device that can be called in two ways gives its heat once.
    const calls = Object.values(facts.ports).filter(({ kind }) => kind === 'contact-in' || kind === 'signal-in').length
    return (
      sum +
      (calls > 0 && facts.category === 'load' && given.length > calls
        ? Math.max(...given)
        : given.reduce((a, b) => a + b, 0))
    )
  }, 0)
}

/** Answers of a survey with what stands in for those that are missing, each with its range and source. */
export function askedOf(answers: Readonly<Record<string, Answer>>, chain: ResolvedChain, data: FieldData): Asked {
  const figures: Record<string, SurveyFigure> = {}
  const put = (id: string, figure: SurveyFigure) => (figures[id] = figure).value
  const take = (id: string, estimate: Estimate) => {
    const given = answers[id]
    return put(
      id,
      typeof given === 'number'
        ? { value: given, source: 'answer', why: 'answered on site' }
        : { ...estimate, source: 'estimate' },
    )
  }
  return {
    data,
    chain,
    figures,
    number: (id) => Number(answers[id]),
    choice: (id, options, otherwise) => options.find((option) => option === answers[id]) ?? otherwise,
    take,
    typical: (id, row, scale = 1) => {
      const { what, low, typical, high, source } = fieldValue(data, row)
      return take(id, {
        value: typical * scale,
        low: low * scale,
        high: high * scale,
        why: `starting value: ${what} (${source})`,
      })
    },
    power: (id, effects, estimate, alsoW = 0) => {
      const fromChain = chainPowerW(chain, effects) + alsoW
      if (typeof answers[id] !== 'number' && fromChain > 0)
        return put(id, { value: fromChain, source: 'chain', why: 'nameplates of the chosen loads together' })
      return take(id, estimate)
    },
  }
}
