import { spell } from '../../time/spell'
import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { calibrateProbe } from '../../probes/calibrateProbe'
import type { Judged, StepSpec, TestSpec } from '../proofTest'
import { keyableK } from './riseAndFallTest'
import { cause, deviceOf, feeling, nameOf, noted, settleS, sourceOfRow, spec, toProbe, toSet } from './parts'

/** Points at which it is compared: the working point must be, a cold and a warm one may be. */
const points = [
  ['here', 'As it is', 'where it sits, as it is'],
  ['cold', 'Colder', 'in a colder place or stirred ice slush'],
  ['warm', 'Warmer', 'in a warmer place or warm water, stirred'],
] as const

/**
 * Offset against a reference thermometer at one to three points, by `calibrateProbe`: tolerance tol.switch.el, largest offset
 * tol.offset.limit. An error that changes with the temperature is no offset.
 */
export function offsetTest(context: LoopContext, plan: PlanOf): TestSpec {
  const { words, data } = context
  const { say } = words
  const device = deviceOf(context, plan.output.device)!
  const { probe } = feeling(context, plan.input)
  const toleranceK = fieldValue(data, 'tol.switch.el').typical
  const limitK = fieldValue(data, 'tol.offset.limit').typical
  const remote =
    device.facts.controller &&
    Object.values(device.facts.controller.parameters).some(
      ({ name, binds }) => binds === 'offset' && /display/i.test(name),
    )
  const other = remote ? 'second display' : 'reference thermometer'
  const step = ([id, title, where]: (typeof points)[number], i: number): StepSpec => ({
    id,
    title,
    ...(i > 0 ? { spare: true as const } : {}),
    does: `${probe ? nameOf(probe) : 'The probe'} and the ${other} side by side ${where}. Wait ${spell(settleS(context, plan.input))}. Read both within a breath.`,
    main: noted(`${remote ? 'Second display' : 'Reference'} reads`, 'temperature'),
    asides: { display: noted('Display shows', 'temperature') },
  })
  return spec(context, {
    id: `offset/${plan.id}`,
    kind: 'offset',
    title: remote ? 'Offset to the second display' : 'Offset',
    about: `${device.tag}, ${probe ? probe.tag : 'its own probe'}`,
    purpose: `What it shows against ${remote ? 'the other display' : 'a thermometer that is right'}: at most ${say(toleranceK, 'difference')} apart.`,
    have: [remote ? 'the second display' : 'reference thermometer', 'stirred ice slush or warm water for more points'],
    how: 'Stir. Neither touches the wall. One point finds an offset; two or three tell whether it is one.',
    rule: `Within ${say(toleranceK, 'difference')} leave it; the same everywhere is an offset up to ${say(limitK, 'difference')} (${sourceOfRow(context, 'tol.offset.limit')}); what changes with the temperature is not.`,
    steps: points.map(step),
    judge: (found): Judged | undefined => {
      const pairs = points.flatMap(([id]) => {
        const [referenceC, shownC] = [found.value(id), found.value(`${id}/display`)]
        return typeof referenceC === 'number' && typeof shownC === 'number' ? [{ referenceC, shownC }] : []
      })
      if (pairs.length === 0)
        return found.value('here') === undefined
          ? undefined
          : {
              verdict: 'waiting',
              code: 'offset.one-reading-waits',
              figures: {},
              causes: [],
            }
      const { verdict, offsetK, residualK, slope } = calibrateProbe(pairs, toleranceK, limitK, plan.offsetK)
      const keyed = keyableK(offsetK, context, plan.output.device)
      const lay = pairs.reduce((sum, { referenceC, shownC }) => sum + referenceC - shownC, 0) / pairs.length
      if (verdict === 'leave')
        return {
          verdict: 'good',
          code: 'offset.leave-it',
          figures: { lay, pairsCount: pairs.length, toleranceK },
        }
      if (verdict === 'not-an-offset')
        return {
          verdict: 'look',
          code: 'offset.other-kind',
          figures: { value: 2 * residualK, pairsCount: pairs.length, slope: Math.abs(slope) * 10 },
          causes: [cause('offset.other-kind', {}, toProbe), cause('offset.lead-or-damp', {}, toProbe)],
        }
      if (verdict === 'beyond-limit')
        return {
          verdict: 'look',
          code: 'offset.lead-resistance',
          figures: { lay, limitK },
          causes: [cause('offset.lead-resistance', {}, toProbe), cause('offset.other-kind-by-ohms', {}, toProbe)],
        }
      return {
        verdict: 'look',
        code: 'offset.offset',
        figures: { keyed, lay, pairsCount: pairs.length },
        causes: [cause('offset.offset', { lay, keyed }, toSet(plan, 'offset', 'Open the offset'))],
        ...(keyed === plan.offsetK
          ? {}
          : {
              fix: { plan: plan.id, change: { offsetK: keyed }, says: `Put ${say(keyed, 'difference')} into the plan` },
            }),
      }
    },
  })
}
