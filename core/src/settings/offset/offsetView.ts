import { calibrateProbe } from '../../probes/calibrateProbe'
import type { PlanOf } from '../behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { boundTo } from '../../device/bound'
import { parameterView } from '../../device/parameterView'
import { roundToStep } from '../../units/displayRound'
import type { LoopContext } from '../../loop/context'

/** One reading of a reference thermometer beside what the display shows, °C. */
export interface OffsetPair {
  readonly referenceC: number
  readonly shownC: number
}

interface OffsetAdvice {
  readonly verdict: 'leave' | 'offset' | 'not-an-offset' | 'beyond-limit'
  /** The offset to key, on the controller's step; left out where none is to be keyed. */
  readonly offsetK?: number
  readonly head: string
  readonly says: string
  readonly next: string
}

/** How far an offset of this controller can be keyed. */
export function offsetLimits({ chain, job }: Pick<LoopContext, 'chain' | 'job'>, plan: PlanOf) {
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const parameter = controller && boundTo(controller, 'offset', [plan.input.port, plan.output.port])
  if (!controller || !parameter) return undefined
  const view = parameterView(parameter, controller, job)!
  return { lowK: parameter.low ?? -Infinity, highK: parameter.high ?? Infinity, view, code: parameter.code }
}

/**
 * The offset that makes the display agree with a reference thermometer, or why none should be keyed: the error changes with temperature
 * (wrong kind of probe, lead, place), or it is larger than an offset should hide.
 * @param presentK offset that is in the controller while the readings are taken
 */
export function offsetAdvice(
  context: LoopContext,
  plan: PlanOf,
  pairs: readonly OffsetPair[],
  presentK: number,
): OffsetAdvice | undefined {
  if (pairs.length === 0) return undefined
  const { data, words } = context
  const toleranceK = fieldValue(data, 'probe.dead').low
  const limitK = fieldValue(data, 'tol.offset.limit').typical
  const limits = offsetLimits(context, plan)
  const result = calibrateProbe(pairs, toleranceK, limitK, presentK)
  const step = limits?.view
  const keyed = step ? step.toSi(roundToStep(step.toShown(result.offsetK), step.step)) : result.offsetK
  const say = (k: number) => words.say(k, 'difference')
  if (result.verdict === 'leave')
    return {
      verdict: 'leave',
      head: 'Leave it.',
      says: `Display and reference agree within ${say(toleranceK)}.`,
      next: 'Write both readings down.',
    }
  if (result.verdict === 'not-an-offset')
    return {
      verdict: 'not-an-offset',
      head: 'Not an offset.',
      says: 'The error changes with the temperature: an offset would be right at one point and wrong elsewhere.',
      next: 'Look for the wrong kind of probe, a long two-wire lead, or a probe that sits in the wrong place.',
    }
  const outside = limits && (keyed < limits.lowK - 1e-9 || keyed > limits.highK + 1e-9)
  if (result.verdict === 'beyond-limit' || outside)
    return {
      verdict: 'beyond-limit',
      ...(outside ? {} : { offsetK: keyed }),
      head: 'Look for the cause first.',
      says: outside
        ? `It would take ${say(keyed)}; this controller takes ${say(limits.lowK)} to ${say(limits.highK)}.`
        : `It would take ${say(keyed)}; over ${say(limitK)} an offset hides a wrong probe or a wrong place.`,
      next: 'Check kind, lead and place of the probe before you key it.',
    }
  return {
    verdict: 'offset',
    offsetK: keyed,
    head: `Key ${say(keyed)}.`,
    says: `The display is ${say(Math.abs(result.offsetK - presentK))} ${result.offsetK > presentK ? 'under' : 'over'} the reference.`,
    next: 'Key it, wait five time constants, read both again.',
  }
}
