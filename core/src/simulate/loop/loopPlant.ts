import { answersOf } from '../../kinds/answersOf'
import type { LoopDocument } from '../../document/documents'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { factsOfKind } from '../../kinds/kinds'
import type { PlantGiven, PlantMade } from '../../kinds/plantMade'
import type { LoopSurvey } from '../../survey/surveyResult'

/** A row of field data that a plant was made with, and what it was changed to. */
interface PlantRow {
  readonly id: string
  readonly value: number
  readonly low: number
  readonly high: number
  readonly unit: string
  readonly what: string
  readonly source: string
  readonly changed: boolean
}

export interface LoopPlant extends Required<PlantMade> {
  /** Field data that it rests on besides the survey's figures. */
  readonly rows: readonly PlantRow[]
}

/**
 * The loop's plant as a network: the survey's figures, and field data for what nobody measures on site.
 * @param fan actuator of an evaporator fan
 */
export function loopPlant(loop: LoopDocument, survey: LoopSurvey, data: FieldData, fan?: string): LoopPlant {
  const rows: PlantRow[] = []
  const row = (id: string) => {
    const known = rows.find((each) => each.id === id)
    if (known) return known.value
    const { low, typical, high, unit, what, source } = fieldValue(data, id)
    const changed = loop.trial?.plant?.[id]
    const value = changed ?? typical
    rows.push({ id, value, low, high, unit, what, source, changed: changed !== undefined })
    return value
  }
  const answers = answersOf(loop)
  const answer = (id: string) => Number(answers[id])
  const { seen } = survey
  const given: PlantGiven = {
    survey,
    row,
    figure: (id) => survey.figures[id]?.value ?? answer(id),
    answer,
    gainW: seen.lossWPerK * (seen.restC - answer('designOutdoor')),
    fan,
  }
  const { model, boundaries = {} } = factsOfKind(loop.kind).plant(given)
  return { model, boundaries, rows }
}
