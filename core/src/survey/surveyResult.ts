import type { LoopDocument } from '../job/documents'
import type { ResolvedChain } from '../job/chain'
import { builds, estimateSpace, insulations } from '../plant/estimate'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { type FloorFacts, floorPlant, type FloorPlant } from '../plant/floorPlant'
import { type FloorZone, floorZones } from '../plant/floorOutput'
import { factsOfKind, kindFacts } from './kindFacts'

/** A call of a registered calculation: what the screen opens when a worked-out number is tapped. */
export interface CalcCall {
  readonly calc: string
  readonly input: Readonly<Record<string, unknown>>
  readonly output: string
}

/** A survey figure as it counts: answered on site, or estimated and from what. */
export interface SurveyFigure {
  readonly value: number
  readonly source: 'answer' | 'estimate'
  readonly low?: number
  readonly high?: number
  readonly why: string
  readonly worked?: CalcCall
}

export interface FloorSurvey {
  readonly figures: Readonly<Record<string, SurveyFigure>>
  readonly zone: FloorZone
  readonly facts: FloorFacts
  readonly plant: FloorPlant
  readonly plantCall: CalcCall
}

export type SurveyOutcome =
  { readonly ok: true; readonly survey: FloorSurvey } | { readonly ok: false; readonly missing: readonly string[] }

const oneOf = <T extends string>(options: readonly T[], given: unknown, otherwise: T): T =>
  options.find((option) => option === given) ?? otherwise

/** Titles of the required questions that have no answer yet, in order. */
export const openQuestions = (loop: LoopDocument) =>
  factsOfKind(loop.kind).questions.filter(({ id, required }) => required && loop.survey.answers[id] === undefined)

/**
 * What the survey answers mean: every figure answered or estimated, and the plant they make.
 * Answers come first, estimates fill in with their spread and their source.
 */
export function surveyResult(loop: LoopDocument, chain: ResolvedChain, data: FieldData): SurveyOutcome {
  if (!kindFacts[loop.kind]) return { ok: false, missing: ['how this kind is reckoned'] }
  const open = openQuestions(loop)
  if (open.length > 0) return { ok: false, missing: open.map(({ title }) => title) }
  const { answers } = loop.survey
  const number = (id: string) => Number(answers[id])
  const figures: Record<string, SurveyFigure> = {}
  const take = (id: string, estimate: Omit<SurveyFigure, 'source'>): number => {
    const given = answers[id]
    const figure: SurveyFigure =
      typeof given === 'number'
        ? { value: given, source: 'answer', why: 'answered on site' }
        : { ...estimate, source: 'estimate' }
    figures[id] = figure
    return figure.value
  }
  const typical = (id: string, row: string, scale = 1) => {
    const { low, typical: value, high, source } = fieldValue(data, row)
    return take(id, { value: value * scale, low: low * scale, high: high * scale, why: `starting value (${source})` })
  }
  const areaM2 = number('floorArea')
  const insulation = oneOf(insulations, answers['insulation'], 'fair')
  const build = oneOf(builds, answers['build'], 'medium')
  const space = estimateSpace(areaM2, insulation, build, data)
  const input = { kind: 'floor', areaM2, insulation, build }
  const call = (output: string): CalcCall => ({ calc: 'plant.estimate', input, output })
  const lossWPerK = take('loss', {
    value: space.lossWPerK,
    low: space.low.lossWPerK,
    high: space.high.lossWPerK,
    why: space.why,
    worked: call('lossWPerK'),
  })
  const capacityJPerK = take('capacity', {
    value: space.capacityJPerK,
    low: space.low.capacityJPerK,
    high: space.high.capacityJPerK,
    why: space.why,
    worked: call('capacityJPerK'),
  })
  const screedM = take('screed', { value: 0.065, low: 0.045, high: 0.1, why: 'common screed over pipes (practice)' })
  const supplyC = typical('supplyWater', 'reset.floor')
  const dropK = take('waterDrop', {
    value: 7,
    low: 5,
    high: 10,
    why: 'design drop that goes with the supply estimate (practice)',
  })
  const facts: FloorFacts = {
    targetC: number('target'),
    probePlace: oneOf(['screed', 'room'], answers['probePlace'], 'screed'),
    designOutdoorC: number('designOutdoor'),
    areaM2,
    lossWPerK,
    // The share of the whole that a room-air cycle sees stays as estimated when the whole is answered.
    quickCapacityJPerK: (capacityJPerK * space.quickCapacityJPerK) / space.capacityJPerK,
    screedM,
    pitchMm: Number(oneOf(['100', '150', '200', '300'], answers['pitch'], '150')) as FloorFacts['pitchMm'],
    supplyC,
    dropK,
    ...heatOf(chain),
  }
  const zone = oneOf(floorZones, answers['zone'], 'occupied')
  return {
    ok: true,
    survey: {
      figures,
      zone,
      facts,
      plant: floorPlant(facts, data),
      plantCall: { calc: 'floor.plant', input: { ...facts }, output: 'powerW' },
    },
  }
}

/** What the loads in the chain heat with: electric elements by their power, and whether any of them moves heating water. */
function heatOf(chain: ResolvedChain): Pick<FloorFacts, 'elementW' | 'noWater'> {
  const loads = chain.devices
    .flatMap(({ facts }) => Object.values(facts.ports))
    .flatMap((port) => (port.kind === 'load' ? [port] : []))
  const elementW = loads.reduce((sum, { heat, load }) => sum + (heat === 'element' ? load.powerW : 0), 0)
  if (elementW === 0) return {}
  return loads.some(({ heat }) => heat === 'water-flow') ? { elementW } : { elementW, noWater: true }
}
