import { type FieldData, fieldValue, type FieldValue } from '../plant/fieldValue'
import { answersOf, type Surveyed } from './answersOf'
import { factsOfKind } from './kinds'

/** The swing that is usual for a loop, K: the row of its kind; where the survey asks for the swing itself, that one between the row's ends. */
export function usualSwing(loop: Surveyed, data: FieldData): Pick<FieldValue, 'low' | 'typical' | 'high'> {
  const { swing, swingK } = factsOfKind(loop.kind)
  const answers = answersOf(loop)
  const row = fieldValue(data, swing(answers))
  const typical = swingK?.(answers) ?? row.typical
  return { low: Math.min(row.low, typical), typical, high: Math.max(row.high, typical) }
}
