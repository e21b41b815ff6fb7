import { onOffCycle } from '../control/onOffCycle'
import { lagSwingK, type StartsGiven, swingForStarts, worstStarts } from '../control/starts'
import { feedOf } from '../document/chain'
import { type OnOffBehaviour, switchingOf } from './behaviour'
import type { CalcCall } from '../kinds/asked'
import type { LoopContext } from '../loop/context'
import { allowedStarts, type AllowedStarts } from './allowedStarts'
import { rungLoad, type RungLoad } from './rungLoad'

/** What a rate of starts is called wherever it stands: by the load that it is for. */
export const startsTitles = {
  design: 'Starts, design day',
  now: 'Starts now',
  worst: 'Starts, worst half load',
  rested: 'Starts, worst load, minimum off time kept',
  allowed: 'Starts, allowed',
} as const

/** What is said in place of a rate where it never starts, or never stops again. */
export const restingWords = { 'stays-on': 'stays on', 'stays-off': 'stays off' } as const

/** What the worst rate is called: by whether the minimum off time decides it. */
export const worstTitle = ({ minimumOffRules }: { readonly minimumOffRules: boolean }): string =>
  minimumOffRules ? startsTitles.rested : startsTitles.worst

/** Starts an hour at one load. */
interface StartsAt {
  readonly perHour: number
  /** It never starts, or never stops again. */
  readonly reason?: 'stays-on' | 'stays-off'
  readonly worked: CalcCall
}

/** How often what an output moves starts, and how often it may. */
export interface Starts {
  readonly load: RungLoad
  readonly given: StartsGiven
  /** At a rest temperature: that of the design day, or of another. */
  readonly at: (restC: number) => StartsAt
  readonly worst: StartsAt & { readonly minimumOffRules: boolean }
  readonly allowed: AllowedStarts | undefined
  /** The narrowest swing under which it starts no more often than allowed, K; undefined where nothing is. */
  readonly allowedSwingK: number | undefined
}

/** Share of a load's power that the design day asks for while the place stands in the middle of the two points. */
const hardestDuty = ({ powerW, restC, lossWPerK }: RungLoad, middleC: number, heats: boolean) =>
  (100 * Math.max(0, lossWPerK * (heats ? middleC - restC : restC - middleC))) / powerW

/**
 * How often an output that switches starts what it moves: the one place where Survey, Set, Try and the sheets have it from. The swing is
 * that of the plan and what the probe's lag adds; rests are the control's or the load's own, whichever is longer.
 * @returns undefined where there is no survey, no power, or the output does the other action
 */
export function startsOf(
  context: Pick<LoopContext, 'loop' | 'chain' | 'survey' | 'data'>,
  plan: OnOffBehaviour,
): Starts | undefined {
  const load = rungLoad(context, plan)
  if (!load) return undefined
  const { onC, offC, swingK } = switchingOf(plan)
  const heats = plan.action === 'heating'
  const { powerW, capacityJPerK, minimumOffS } = load
  const lagS = feedOf(context.chain, plan.input)?.fromDevice.facts.probe?.lagS ?? 0
  const given = {
    ...{ powerW, capacityJPerK, minimumOffS, lagS },
    hardestDutyPercent: hardestDuty(load, (onC + offC) / 2, heats),
  }
  const seenK = swingK + lagSwingK(given)
  const allowed = allowedStarts(context, plan.output)
  return {
    load,
    given,
    at: (restC) => {
      const input = keptCycle(load, plan, restC, lagSwingK(given) / 2)
      const { cyclesPerHour, reason } = onOffCycle(input)
      const worked = { calc: 'cycling.onOff', input, output: 'cyclesPerHour' }
      return { perHour: reason ? 0 : cyclesPerHour, ...(reason ? { reason } : {}), worked }
    },
    worst: worstOf(given, swingK, seenK),
    allowed,
    allowedSwingK: allowed && swingForStarts(given, allowed.perHour),
  }
}

/** The worst load, and the calculation that shows it. */
function worstOf(given: StartsGiven, swingK: number, seenK: number): Starts['worst'] {
  const { perHour, dutyPercent, minimumOffRules } = worstStarts(given, swingK)
  const { powerW, capacityJPerK, minimumOffS } = given
  const input = { powerW, capacityJPerK, swingK: seenK }
  const worked: CalcCall = minimumOffRules
    ? { calc: 'cycling.rested', input: { ...input, minimumOffS }, output: 'cyclesPerHour' }
    : {
        calc: 'cycling.worst',
        input: { ...input, maximumDutyPercent: Math.max(1e-9, dutyPercent) },
        output: 'cyclesPerHour',
      }
  return { perHour, minimumOffRules, worked, ...(perHour > 0 ? {} : { reason: 'stays-off' as const }) }
}

/** The cycle at a rest temperature; a rest that outlasts the swing lets the place drift on: the cycle is the one from where it drifts to. */
function keptCycle(load: RungLoad, plan: OnOffBehaviour, restC: number, lateK: number) {
  const { powerW, lossWPerK, capacityJPerK, minimumOffS } = load
  const { onC, offC } = switchingOf(plan)
  const { action } = plan
  const input = {
    ...{ powerW, lossWPerK, capacityJPerK, outdoorC: restC, action },
    lowC: Math.min(onC, offC) - lateK,
    highC: Math.max(onC, offC) + lateK,
  }
  const { offS } = onOffCycle(input)
  if (offS === null || offS >= minimumOffS) return input
  const fromC = action === 'heating' ? input.highC : input.lowC
  const driftedC = restC + (fromC - restC) * Math.exp((-minimumOffS * lossWPerK) / capacityJPerK)
  return action === 'heating' ? { ...input, lowC: driftedC } : { ...input, highC: driftedC }
}
