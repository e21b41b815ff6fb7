import type { LoopContext } from '../loop/context'
import { bySeverity, type Finding, findingKey, mayBeClosed } from './finding'
import { runRules } from './rules/rules'
import { remembered } from '../memory/remembered'

interface Checked {
  readonly open: readonly Finding[]
  readonly closed: readonly Finding[]
}

/** What stands open in a loop: findings sorted stop, look, note; those closed with a reason are told apart. */
export const checkLoop = remembered((context: LoopContext): Checked => {
  const all = runRules(context).sort(bySeverity)
  const waived = (finding: Finding) => mayBeClosed(finding) && Object.hasOwn(context.loop.waivers, findingKey(finding))
  return { open: all.filter((f) => !waived(f)), closed: all.filter(waived) }
})
