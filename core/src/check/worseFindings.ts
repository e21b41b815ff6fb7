import { bySeverity, type Finding, findingKey, type Severity } from './finding'

/** Says that what was keyed is another than what is planned: every change of a plan that was keyed makes it, and keying mends it. */
const KEYED_ANEW = 'C097_LEFT_OTHERWISE'

/**
 * What is to be looked at, or stops, after a change and was not before it, or is graver than it was.
 * @param least what is less grave than this is let pass
 */
export function worseFindings(
  before: readonly Finding[],
  after: readonly Finding[],
  least: Severity = 'look-again',
): readonly Finding[] {
  const known = new Map(before.map((each) => [findingKey(each), each]))
  return after.filter((each) => {
    if (bySeverity(each, { severity: least }) > 0 || each.code === KEYED_ANEW) return false
    const was = known.get(findingKey(each))
    return !was || bySeverity(each, was) < 0
  })
}
