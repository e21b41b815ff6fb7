import { Refused } from '../units/refused'
/** One row of the field data: a starting value with its spread, where it comes from and how far to trust it. */
export interface FieldValue {
  readonly id: string
  readonly what: string
  readonly low: number
  readonly typical: number
  readonly high: number
  readonly unit: string
  readonly source: string
  readonly confidence: 'H' | 'M' | 'L'
}

/** Field data by id; handed in, so that core holds none of it. */
export type FieldData = Readonly<Record<string, FieldValue>>

/** @throws RangeError naming the id when the data lacks it */
export function fieldValue(data: FieldData, id: string): FieldValue {
  const row = data[id]
  if (!row) throw new Refused('field', { must: 'other', says: `data lacks ${id}` })
  return row
}
