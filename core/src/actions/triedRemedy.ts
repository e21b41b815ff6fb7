import { checkLoop } from '../check/checkLoop'
import { type Finding, findingKey } from '../check/finding'
import { applyFix, devicesFor, fixWords } from '../check/fix'
import { tradePoint } from '../check/tradeOff'
import { worseFindings } from '../check/worseFindings'
import type { DeviceProfile } from '../device/deviceProfile'
import { shelfOf } from '../device/suitsPractice'
import { loopContext } from '../loop/context'
import { placing } from '../survey/placing'
import type { Edited } from '../wiring/edited'
import type { Hand } from './action'
import { chainChanged } from './chainParts'

/** A remedy that was carried out on a copy and helps. */
export interface TriedRemedy {
  /** What its button says. */
  readonly say: string
  readonly edited: Edited
}

const none: readonly DeviceProfile[] = []

/** Codes of what is found of a connection that does not fit, or nearly. */
const ofConnections: ReadonlySet<string> = new Set(['C010_DOES_NOT_FIT', 'C011_CONNECTION_LOOK'])

/** The open finding about a connection. */
export const findingOfConnection = (open: readonly Finding[], connection: string): Finding | undefined =>
  open.find(({ code, about }) => about === connection && ofConnections.has(code))

/** What is open in a loop. */
export const openIn = ({ job, loop }: Edited, { data, loops }: Pick<Hand, 'data' | 'loops'>): readonly Finding[] =>
  checkLoop(loopContext(job, loop, data, job, loops)).open

/**
 * Whether a loop strays no more, on a design day and on a mild one, with a setting moved than before: what concerns behaviour is run. What
 * cannot be run is left to the rules.
 */
function behaves(before: Edited, after: Edited, plan: string, { data }: Hand): boolean {
  const run = (edited: Edited) => {
    if (!loopContext(edited.job, edited.loop, data).survey) return undefined
    try {
      return tradePoint({ edited, data, plan })
    } catch (error) {
      if (error instanceof RangeError) return undefined
      throw error
    }
  }
  const [was, is] = [run(before), run(after)]
  if (!was || !is) return true
  return (['stray', 'battery'] as const).every((wish) => is.keeps[wish] || !was.keeps[wish])
}

/**
 * The remedy of a finding, carried out on a copy and judged: its finding is gone, and nothing as grave has come in its place. Where a device is
 * to be put in, the first of the shelf that does so is taken.
 * @returns undefined where it has no remedy of that sort, or none that helps
 */
export function triedRemedy(edited: Edited, finding: Finding, hand: Hand): TriedRemedy | undefined {
  const { fix, severity } = finding
  if (!fix) return undefined
  const shelf = shelfOf(hand.shelf ?? none, edited.job.practice)
  const before = openIn(edited, hand)
  const key = findingKey(finding)
  const tried = (device?: DeviceProfile): TriedRemedy | undefined => {
    let made: Edited | undefined
    try {
      const put = (profile: DeviceProfile) => placing(edited.loop, profile, hand.data)
      const applied = applyFix(edited, fix, shelf, hand.newId, put, device)
      made = applied && chainChanged(edited, applied, hand)
    } catch (error) {
      // What cannot be done to this chain helps it no more than what makes it worse.
      if (error instanceof RangeError) return undefined
      throw error
    }
    const say = fixWords(fix, shelf, device)
    if (!made || say === undefined) return undefined
    const after = openIn(made, hand)
    if (fix.do === 'setting' && !behaves(edited, made, fix.plan, hand)) return undefined
    if (after.some((each) => findingKey(each) === key)) return undefined
    return worseFindings(before, after, severity).length > 0 ? undefined : { say, edited: made }
  }
  if (!('wants' in fix)) return tried()
  for (const device of devicesFor(fix.wants, shelf)) {
    const found = tried(device)
    if (found) return found
  }
  return undefined
}
