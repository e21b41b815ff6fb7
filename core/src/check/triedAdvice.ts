import type { LoopDocument } from '../document/documents'
import { loopContext } from '../loop/context'
import type { FieldData } from '../plant/fieldValue'
import { plansOf, type PlanOf } from '../settings/behaviour'
import { controllerPlanOf, withControllerPlan } from '../survey/controllerPlanOf'
import { loopScenario } from '../simulate/loop/loopScenario'
import type { RunWeather } from '../simulate/loop/runWeather'
import { settingOf, settingsKept, type SweepSetting, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import type { AdvisedSettings, AdviceFacts } from '../words/adviceWords'
import type { TradeSetting } from '../words/tradeWords'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { runOutcome } from './runOutcome'
import { tradeOff, tradePoint, tradeSettingsOf, type Trial } from './tradeOff'
import { tunedPlans } from './tunedPlans'
import { waysOut } from './waysOut'
import { worseFindings } from './worseFindings'

/** What was tried on a copy of a loop, and what came of it. */
export interface TriedAdvice {
  readonly facts: AdviceFacts
  /** The loop as it would be set; left out where no setting helps. */
  readonly loop?: LoopDocument
}

/** What a run says that a setting may mend. */
const mendable: ReadonlySet<string> = new Set(['strays', 'droop', 'starts', 'strays-line'])
/** What a run says that no setting mends: too little power, nothing to do, a battery that is flat, a guard that opened. */
const beyondSettings: ReadonlySet<string> = new Set(['saturated', 'idle', 'cut-off', 'trip', 'frozen', 'fault'])
/** Less than this is no difference to anybody, K. */
const LEAST_K = 0.05
const MINUTE_S = 60
/** A timer is made longer this many times: each longer hold is another run. */
const MOST_TIMERS = 3

const mainPlan = ({ settings }: Pick<LoopDocument, 'settings'>): PlanOf | undefined => plansOf(settings.planned)[0]

/** What a day and the rules say of a loop. */
function judge({ job, loop }: Edited, data: FieldData, weather: RunWeather) {
  const context = loopContext(job, loop, data)
  const run = loopScenario(context, context.survey!, weather)
  const { sentences } = runOutcome(context, run, simulate(run.scenario), weather.extremeC)
  const looks = sentences.filter(({ verdict }) => verdict === 'look')
  const over = looks.find(({ code }) => code === 'time-over')
  return {
    mends: looks.filter(({ code }) => mendable.has(code)).length,
    beyond: looks.some(({ code }) => beyondSettings.has(code)),
    looks: looks.length,
    short: over?.code === 'time-over' ? over.figures.short : undefined,
    open: checkLoop(context).open,
  }
}

/** The settings of a plan that differ between two loops, as they would be keyed. */
function settingsBetween(kept: readonly SweepSetting[], before: PlanOf, after: PlanOf): AdvisedSettings {
  return Object.fromEntries(
    kept.flatMap((setting) => {
      const value = settingOf(after, setting)
      return Math.abs(value - settingOf(before, setting)) > 1e-9 ? [[setting, value] as const] : []
    }),
  )
}

/** A timer that ends it too soon, longer by what it lacked, until it is at its temperature for as long as was asked for. */
function longerTimer(
  edited: Edited,
  data: FieldData,
  weather: RunWeather,
  { output }: PlanOf,
  first: { readonly wantedS: number; readonly heldS: number },
): TriedAdvice | undefined {
  const { job } = edited
  let { loop } = edited
  let lacks = first
  for (let i = 0; i < MOST_TIMERS; i++) {
    const context = loopContext(job, loop, data)
    const device = context.chain.devices.find(({ id }) => id === output.device)
    const timer = device && controllerPlanOf(context, device).timer
    if (!device || timer?.mode !== 'once') return undefined
    const aS = Math.ceil((timer.aS + lacks.wantedS - lacks.heldS) / MINUTE_S) * MINUTE_S
    loop = withControllerPlan(context, device, { timer: { ...timer, aS } })
    const after = judge({ job, loop }, data, weather)
    if (!after.short) {
      const open = checkLoop(loopContext(job, edited.loop, data)).open
      return worseFindings(open, after.open).length > 0
        ? undefined
        : { facts: { settings: { timerS: aS }, ways: [] }, loop }
    }
    lacks = after.short
  }
  return undefined
}

/**
 * What settings would do for a loop that strays or starts too often under a day: tried on a copy, run on this day, the design day and a mild
 * one, and judged by the rules. What does not hold then is not offered: the wishes that fight are told instead, with ways out that were tried.
 * @returns undefined where nothing is to be mended, nothing is planned, or no setting is to blame
 */
export function triedAdvice(edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined {
  const { job, loop } = edited
  const context = loopContext(job, loop, data)
  const plan = mainPlan(loop)
  if (!context.survey || !plan || plan.kind === 'fan') return undefined
  const begun = judge(edited, data, weather)
  if ((begun.mends === 0 && !begun.short) || begun.beyond) return undefined
  const longer = begun.short && longerTimer(edited, data, weather, plan, begun.short)
  if (longer) return longer
  const kept = settingsKept(context.chain, plan)
  const [setting] = tradeSettingsOf(context, plan)
  const trial: Trial = { edited, data, plan: plan.id, setting }
  const mild = tradePoint(trial).days.mild
  /** What is set so holds on this day, on the design day, and strays no further on a mild one; no rule finds more. */
  const holds = (next: LoopDocument): boolean => {
    const after = judge({ job, loop: next }, data, weather)
    if (after.mends > 0 || after.looks >= begun.looks) return false
    if (worseFindings(begun.open, after.open).length > 0) return false
    const { days } = tradePoint({ ...trial, edited: { job, loop: next } })
    return (
      days.design.keeps.stray &&
      days.design.keeps.starts &&
      (days.mild.keeps.stray || days.mild.strayK <= mild.strayK + LEAST_K) &&
      (days.mild.keeps.starts || days.mild.starts <= mild.starts)
    )
  }
  const offered = (next: LoopDocument): TriedAdvice => ({
    facts: { settings: settingsBetween(kept, plan, mainPlan(next)!), ways: [] },
    loop: next,
  })
  const tuned = tunedPlans(edited, data, weather).edited.loop
  if (tuned !== loop && holds(tuned)) return offered(tuned)
  const across = (from: LoopDocument, each: TradeSetting) =>
    tradeOff({ ...trial, edited: { job, loop: from }, setting: each })
  for (const each of tradeSettingsOf(context, plan))
    for (const from of tuned === loop ? [loop] : [loop, tuned]) {
      const best = across(from, each)?.best
      if (best === undefined) continue
      const next = withLoopSetting(from, plan.id, each, best)
      if (holds(next)) return offered(next)
    }
  const trade = tradeOff(trial)
  return trade && { facts: { settings: {}, fight: trade, ways: waysOut(trial, trade) } }
}
