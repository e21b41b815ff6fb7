import type { LoopDocument } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import type { WireRow } from './wireRow'
import { assumedLengthM, rowVerdict, type RowVerdict } from './rowVerdict'
import { continuityLimitOhm } from './wireResistance'

/** Verdict of one wire row with the limit it is held against. */
export function judgeRow(
  { loop, data }: { readonly loop: Pick<LoopDocument, 'wiring'>; readonly data: FieldData },
  row: WireRow,
): {
  readonly verdict: RowVerdict
  readonly limitOhm: number
  readonly lengthM: number
  readonly assumed: boolean
  /** Null where neither the table nor anybody tells it. */
  readonly sizeMm2: number | null
} {
  const state = loop.wiring.rows[row.id]
  const lengthM = state?.lengthM ?? assumedLengthM
  const sizeMm2 = state?.sizeMm2 ?? row.conductor.sizeMm2
  const limitOhm = continuityLimitOhm(lengthM, sizeMm2, data)
  return { verdict: rowVerdict(state, limitOhm), limitOhm, lengthM, assumed: state?.lengthM === undefined, sizeMm2 }
}
