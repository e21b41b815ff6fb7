import { usualSwing } from '../kinds/usualSwing'
import { answersOf } from '../kinds/answersOf'
import { displayStepK } from '../settings/displayStep'
import { boundTo } from '../device/bound'
import { loopContext } from '../loop/context'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { type PlanOf, plansOf } from '../settings/behaviour'
import { startsOf } from '../settings/starts'
import { dayWeather, type RunWeather } from '../simulate/loop/runWeather'
import { loopScenario } from '../simulate/loop/loopScenario'
import { settingsKept, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import { roundToStep } from '../units/displayRound'
import { quantityView } from '../units/quantity'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import type { Finding } from './finding'
import { runOutcome } from './runOutcome'
import { worseFindings } from './worseFindings'

/** Times that a plan's middle, and then its swing, is moved and run again. */
const MOST_RUNS = 3
/** Less than this is no difference to anybody, K. */
const LEAST_K = 0.05
/** What says of a run that no setting is to blame: too little power, nothing to do, a battery that is flat, a guard that opened. */
const beyondSettings: ReadonlySet<string> = new Set(['saturated', 'idle', 'cut-off', 'trip', 'frozen', 'fault'])

/** What the design day does under a plan. */
interface Tried {
  readonly edited: Edited
  /** How far it goes beyond the tolerance, K. */
  readonly overK: number
  /** Where the place went, °C, and how often it started in its worst hour as a share of what is allowed, 0 where that is kept. */
  readonly lowC: number
  readonly highC: number
  readonly starts: number
  readonly open: readonly Finding[]
}

function tried(
  edited: Edited,
  data: FieldData,
  weather: RunWeather,
  targetC: number,
  toleranceK: number,
): Tried | undefined {
  const context = loopContext(edited.job, edited.loop, data)
  if (!context.survey) return undefined
  const run = loopScenario(context, context.survey, weather)
  if (run.outputs.length === 0) return undefined
  const result = simulate(run.scenario)
  const { figures, sentences } = runOutcome(context, run, result, weather.extremeC)
  if (sentences.some(({ code }) => beyondSettings.has(code))) return undefined
  const starts = Math.max(
    0,
    ...sentences.flatMap((said) => (said.code === 'starts' ? [said.figures.worstHour / said.figures.perHour] : [])),
  )
  const { lowestC: lowC, highestC: highC } = figures
  const overK = Math.max(0, targetC - lowC - toleranceK, highC - targetC - toleranceK)
  const { open } = checkLoop(context)
  return { edited, lowC, highC, starts, open, overK: overK > LEAST_K ? overK : 0 }
}

/** A chain with its plans moved, and how far its design day still goes beyond the tolerance, K; 0 where no setting is to blame. */
export interface Tuned {
  readonly edited: Edited
  readonly beyondK: number
  /** How often it starts in its worst hour, as a share of what is allowed; 0 where that is kept. */
  readonly overStarts: number
  /** No run was tried: no setting decides it. */
  readonly beyondSettings?: true
}

/** The main output of a loop: its plan, and the steps in which its controller can be keyed, K. */
function mainOutput({ job, loop }: Edited, data: FieldData) {
  const context = loopContext(job, loop, data)
  const [plan] = plansOf(loop.settings.planned)
  const controller = context.chain.devices.find(({ id }) => id === plan?.output.device)?.facts.controller
  if (!plan || !controller) return undefined
  const stepK = displayStepK(controller, job)
  const shown = quantityView('temperature', job)
  const step = quantityView('difference', job).toShown(stepK)
  const keyable = (celsius: number) => shown.toSi(roundToStep(shown.toShown(celsius), step))
  return {
    ...{ context, plan, stepK, keyable },
    narrowestK: Math.max(
      fieldValue(data, 'resolve.swing').low * stepK,
      // Nobody keys a swing that wears its contact out for a figure on paper.
      usualSwing(loop, data).low,
      Math.ceil((boundTo(controller, 'swing')?.low ?? 0) / stepK - 1e-6) * stepK,
    ),
    kept: settingsKept(context.chain, plan),
  }
}

/** The plan with its middle moved by as far as the middle of where the place went lies off the target. */
function centred(edited: Edited, { lowC, highC }: Tried, data: FieldData, targetC: number): Edited | undefined {
  const main = mainOutput(edited, data)
  if (!main?.kept.includes('setpointC')) return undefined
  const { plan, keyable } = main
  const setpointC = withinLimits(plan, keyable(plan.setpointC + targetC - (lowC + highC) / 2))
  if (Math.abs(setpointC - plan.setpointC) <= LEAST_K) return undefined
  return { ...edited, loop: withLoopSetting(edited.loop, plan.id, 'setpointC', setpointC) }
}

/** The plan narrower by what is too much, or wider where it starts too often and the tolerance leaves room. */
function resized(edited: Edited, last: Tried, data: FieldData, toleranceK: number): Edited | undefined {
  const main = mainOutput(edited, data)
  if (main?.plan.kind !== 'on-off' || !main.kept.includes('swingK')) return undefined
  const { context, plan, stepK, narrowestK } = main
  const roomK = 2 * toleranceK - (last.highC - last.lowC)
  const advisedK = last.starts > 1 ? (startsOf(context, plan)?.allowedSwingK ?? plan.swingK * last.starts) : 0
  const wantedK = Math.min(plan.swingK + roomK, Math.max(advisedK, plan.swingK))
  const swingK = Math.max(Math.min(narrowestK, plan.swingK), Math.floor(wantedK / stepK + 1e-6) * stepK)
  if (Math.abs(swingK - plan.swingK) < 1e-9) return undefined
  return { ...edited, loop: withLoopSetting(edited.loop, plan.id, 'swingK', swingK) }
}

const withinLimits = ({ lowestC = -Infinity, highestC = Infinity }: PlanOf, setpointC: number) =>
  Math.min(highestC, Math.max(lowestC, setpointC))

/**
 * A chain with the plan of its main output moved until the design day, simulated, stays within the tolerance: centred on the target, then
 * narrower where that does not do, or wider where it starts too often and the tolerance leaves room; in steps that its controller can be
 * keyed in. Another day than the design day may be given. A swing that holds no better is left as is usual, so that nothing switches faster for nothing. Water that follows the weather
 * has no one target, and a fan only one side of it: both stay.
 */
export function tunedPlans(
  edited: Edited,
  data: FieldData,
  weather: RunWeather = dayWeather(edited.loop, 'design'),
): Tuned {
  const { survey } = loopContext(edited.job, edited.loop, data)
  const { tolerance } = answersOf(edited.loop)
  const fan = plansOf(edited.loop.settings.planned)[0]?.kind === 'fan'
  if (!survey || survey.boiler || fan || typeof tolerance !== 'number')
    return { edited, beyondK: 0, overStarts: 0, beyondSettings: true }
  const { targetC } = survey.seen
  const run = (given: Edited | undefined) => given && tried(given, data, weather, targetC, tolerance)
  const begun = run(edited)
  if (!begun) return { edited, beyondK: 0, overStarts: 0, beyondSettings: true }
  const centre = (from: Tried) => {
    let best = from
    for (let i = 0; i < MOST_RUNS && best.overK > 0; i++) {
      const next = run(centred(best.edited, best, data, targetC))
      if (!next || next.overK >= best.overK || worseFindings(from.open, next.open).length > 0) break
      best = next
    }
    return best
  }
  const usual = centre(begun)
  let other: Tried | undefined = usual
  for (let i = 0; i < MOST_RUNS && other && (other.overK > 0 || other.starts > 1); i++) {
    const next = run(resized(other.edited, other, data, tolerance))
    other = next && centre(next)
  }
  const holds =
    other !== undefined &&
    other.overK === 0 &&
    other.starts <= Math.max(1, usual.starts) &&
    worseFindings(begun.open, other.open).length === 0
  const best = holds ? other! : usual
  return { edited: best.edited, beyondK: best.overK, overStarts: best.starts }
}
