import type { Asked, Estimate, SurveyFigure } from '../kinds/asked'
import type { ResolvedChain } from '../document/chain'
import type { LoopDocument } from '../document/documents'
import { answersOf } from '../kinds/answersOf'
import { factsOfKind } from '../kinds/kinds'
import { dutyOf } from '../device/duty'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { readsPlate } from './plates'

/**
 * Answers of a survey with what stands in for those that are missing, each with its range and source. What was measured comes first, then
 * the plates of the devices that are there, what was answered, what the shelf's devices usually have, and estimates last.
 */
export function askedOf(loop: Pick<LoopDocument, 'kind' | 'survey'>, chain: ResolvedChain, data: FieldData): Asked {
  const { answers: given, ways } = loop.survey
  const answers = answersOf(loop)
  const figures: Record<string, SurveyFigure> = {}
  const put = (id: string, figure: SurveyFigure) => (figures[id] = figure).value
  for (const { id, ask, assumed } of factsOfKind(loop.kind).questions) {
    const value = answers[id]
    if (ask !== 'number' || !assumed || given[id] !== undefined || typeof value !== 'number') continue
    const { why, spread = 1, within = 0 } = assumed
    put(id, { value, source: 'estimate', why, low: value / spread - within, high: value * spread + within })
  }
  const answered = (id: string): SurveyFigure | undefined => {
    const value = given[id]
    if (typeof value !== 'number') return undefined
    return ways?.[id]
      ? { value, source: 'measured', why: 'measured on site' }
      : { value, source: 'answer', why: 'answered on site' }
  }
  const take = (id: string, estimate: Estimate, chosen?: Estimate) =>
    put(id, answered(id) ?? (chosen ? { ...chosen, source: 'chain' } : { ...estimate, source: 'estimate' }))
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
      const loads = chain.devices.filter(({ facts }) => dutyOf(facts, effects) > 0)
      const platesW = loads.reduce((sum, { facts }) => sum + dutyOf(facts, effects), alsoW)
      const read = loads.length > 0 && loads.every(readsPlate)
      const said = answered(id)
      const told = {
        effects,
        alsoW,
        ...(said ? { answeredW: said.value } : {}),
        ...(loads.length > 0 ? { platesW } : {}),
      }
      if (said && (said.source === 'measured' || !read)) return put(id, { ...said, told })
      if (read)
        return put(id, { value: platesW, source: 'nameplate', why: 'the loads\u2019 own plates together', told })
      if (platesW > 0)
        return put(id, { value: platesW, source: 'chain', why: 'nameplates of the chosen loads together', told })
      return put(id, { ...estimate, source: 'estimate', told })
    },
  }
}
