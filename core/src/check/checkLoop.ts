import { continuityLimitOhm } from '../wiring/wireResistance'
import { assumedLengthM, rowVerdict, type RowVerdict } from '../wiring/rowVerdict'
import type { WireRow } from '../wiring/connectionList'
import type { LoopContext } from './context'
import { bySeverity, type Finding, findingKey, mayBeClosed } from './finding'
import { runRules } from './rules/rules'

/** What stands open in a loop: findings sorted stop, look, note; those closed with a reason are told apart. */
export function checkLoop(context: LoopContext): {
  readonly open: readonly Finding[]
  readonly closed: readonly Finding[]
} {
  const all = runRules(context).sort(bySeverity)
  const waived = (finding: Finding) => mayBeClosed(finding) && Object.hasOwn(context.loop.waivers, findingKey(finding))
  return { open: all.filter((f) => !waived(f)), closed: all.filter(waived) }
}

/** Verdict of one wire row with the limit it is held against. */
export function judgeRow(
  { loop, data }: Pick<LoopContext, 'loop' | 'data'>,
  row: WireRow,
): {
  readonly verdict: RowVerdict
  readonly limitOhm: number
  readonly lengthM: number
  readonly assumed: boolean
  readonly sizeMm2: number
} {
  const state = loop.wiring.rows[row.id]
  const lengthM = state?.lengthM ?? assumedLengthM
  const sizeMm2 = state?.sizeMm2 ?? row.conductor.sizeMm2
  const limitOhm = continuityLimitOhm(lengthM, sizeMm2, data)
  return { verdict: rowVerdict(state, limitOhm), limitOhm, lengthM, assumed: state?.lengthM === undefined, sizeMm2 }
}
