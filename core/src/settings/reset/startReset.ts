import { answersOf } from '../../kinds/answersOf'
import { emitterNeed } from '../../plant/emitterCurve'
import type { ResetPlan } from '../../settings/reset/fields'
import type { LoopDocument } from '../../document/documents'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { emitterIds, emitters } from '../../kinds/emitters'
import { factsOfKind } from '../../kinds/kinds'

/** Outdoor temperature at which the line's mild point is drawn, unless the room is cooler. */
const MILD_OUTDOOR_C = 15

const numberOf = (answer: unknown): number | undefined => (typeof answer === 'number' ? answer : undefined)

/** The line that gives the emitters what they need on the design day and on a mild one. */
export function startReset(loop: LoopDocument, data: FieldData): ResetPlan {
  const answers = answersOf(loop)
  const facts = factsOfKind(loop.kind)
  const roomC = numberOf(answers['target']) ?? 21
  const designOutdoorC = numberOf(answers['designOutdoor']) ?? -10
  const emitter = emitters[emitterIds.find((id) => id === answers['emitter']) ?? facts.emitter ?? 'radiators-old']
  const designSupplyC =
    numberOf(answers['supplyWater']) ?? facts.setsTo?.(answers, data) ?? fieldValue(data, emitter.supply).typical
  const warmOutdoorC = Math.min(MILD_OUTDOOR_C, roomC - 2)
  const mild =
    warmOutdoorC > designOutdoorC && designSupplyC - emitter.dropK / 2 > roomC
      ? emitterNeed({
          outdoorC: warmOutdoorC,
          designOutdoorC,
          designSupplyC,
          designDropK: emitter.dropK,
          roomC,
          exponent: fieldValue(data, emitter.exponent).typical,
        })?.supplyC
      : undefined
  return {
    designOutdoorC,
    designSupplyC,
    warmOutdoorC: Math.max(warmOutdoorC, designOutdoorC + 1),
    warmSupplyC: Math.round(mild ?? fieldValue(data, 'reset.noload').typical),
    minimumSupplyC: 20,
    maximumSupplyC: Math.min(designSupplyC + 5, facts.highest?.(answers, data) ?? Infinity),
    shutdownAboveC: fieldValue(data, 'reset.wwsd').typical,
    frostBelowC: fieldValue(data, 'frost.pipe').typical,
    frostSupplyC: 20,
    averageH: answers['outdoorSchool'] === 'instant' ? 0 : fieldValue(data, 'average.outdoor').low,
    shiftK: 0,
    setbackK: 0,
  }
}
