import type { LoopDocument } from '../document/documents'
import { factsOfKind } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import type { FieldData } from '../plant/fieldValue'
import { plansOf, type PlanOf } from '../settings/behaviour'
import { startsOf } from '../settings/starts'
import { loopScenario } from '../simulate/loop/loopScenario'
import type { RunWeather } from '../simulate/loop/runWeather'
import { settingOf, settingsKept, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import type { AdviceFacts, WayOut } from '../words/adviceWords'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { runOutcome } from './runOutcome'
import { tunedPlans } from './tunedPlans'

/** What was tried on a copy of a loop, and what came of it. */
export interface TriedAdvice {
  readonly facts: AdviceFacts
  /** The loop as it would be set; left out where no setting helps. */
  readonly loop?: LoopDocument
}

/** Settings that are moved: the middle and the swing of the main output. */
const moved = ['setpointC', 'swingK'] as const

/** Runs that share this much of the time are taken to run all the time. */
const FULL_SHARE = 0.97
/** A tolerance is named in steps of this, K, and a power in steps of its hundredth. */
const TOLERANCE_STEP_K = 0.1

const mainPlan = ({ settings }: Pick<LoopDocument, 'settings'>): PlanOf | undefined => plansOf(settings.planned)[0]

/**
 * What settings would do for a loop that strays or starts too often under a day: tried on a copy, run and judged. Where none does, the wishes that
 * fight are told with ways out, each with its figure.
 * @returns undefined where nothing is to be mended, or where nothing is planned
 */
export function triedAdvice(edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined {
  const { loop } = edited
  const context = loopContext(edited.job, loop, data)
  const { survey } = context
  const plan = mainPlan(loop)
  if (!survey || !plan) return undefined
  return survey.boiler ? widened(edited, data, weather) : tuned(edited, data, weather)
}

/** The settings of a plan that differ between two loops, as they would be keyed. */
const settingsBetween = (chain: Parameters<typeof settingsKept>[0], before: PlanOf, after: PlanOf) =>
  Object.fromEntries(
    moved
      .filter((setting) => settingsKept(chain, before).includes(setting))
      .flatMap((setting) => {
        const value = settingOf(after, setting)
        return Math.abs(value - settingOf(before, setting)) > 1e-9 ? [[setting, value] as const] : []
      }),
  )

/** Middle and swing by the day that was run. */
function tuned(edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined {
  const context = loopContext(edited.job, edited.loop, data)
  const plan = mainPlan(edited.loop)!
  const best = tunedPlans(edited, data, weather)
  if (best.beyondSettings) return undefined
  const settings = settingsBetween(context.chain, plan, mainPlan(best.edited.loop)!)
  const holds = best.beyondK === 0 && best.overStarts <= 1
  if (holds && Object.keys(settings).length === 0) return undefined
  const ways = holds ? [] : waysOut(edited, data, best)
  return {
    facts: { settings, holds, beyondK: best.beyondK, overStarts: best.overStarts, ways },
    ...(Object.keys(settings).length > 0 ? { loop: best.edited.loop } : {}),
  }
}

/** What else there is where no setting does: each with the figure that it would take. */
function waysOut(edited: Edited, data: FieldData, best: ReturnType<typeof tunedPlans>): readonly WayOut[] {
  const { loop } = edited
  const context = loopContext(edited.job, loop, data)
  const { seen } = context.survey!
  const { tolerance, power } = { tolerance: loop.survey.answers['tolerance'], power: seen.fullPowerW ?? seen.powerW }
  const ways: WayOut[] = []
  const short = seen.loadW > FULL_SHARE * power
  if (short) ways.push({ way: 'more-power', toW: seen.loadW })
  if (best.beyondK > 0 && typeof tolerance === 'number' && !short)
    ways.push({
      way: 'tolerance',
      toK: Math.ceil((tolerance + best.beyondK) / TOLERANCE_STEP_K - 1e-6) * TOLERANCE_STEP_K,
    })
  if (best.overStarts > 1) {
    if (power / best.overStarts > seen.loadW) ways.push({ way: 'smaller-power', toW: power / best.overStarts })
    ways.push({ way: 'more-mass', times: best.overStarts })
  }
  if (
    !short &&
    factsOfKind(loop.kind).leaning(loop.survey.answers).band !== undefined &&
    mainPlan(loop)!.kind === 'on-off'
  )
    ways.push({ way: 'modulate' })
  return ways
}

/** Water by the weather: the swing alone, until it starts no oftener than it may; its line is held as before. */
function widened(edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined {
  const judge = (loop: LoopDocument) => {
    const context = loopContext(edited.job, loop, data)
    const run = loopScenario(context, context.survey!, weather)
    const { sentences } = runOutcome(context, run, simulate(run.scenario), weather.extremeC)
    const starts = sentences.flatMap((said) =>
      said.code === 'starts' ? [said.figures.worstHour / said.figures.perHour] : [],
    )
    return {
      overStarts: Math.max(0, ...starts),
      looks: sentences.filter(({ verdict }) => verdict === 'look').length,
      findings: checkLoop(context).open.filter(({ severity }) => severity !== 'note').length,
    }
  }
  const context = loopContext(edited.job, edited.loop, data)
  const plan = mainPlan(edited.loop)!
  const begun = judge(edited.loop)
  if (begun.overStarts <= 1 || plan.kind !== 'on-off' || !settingsKept(context.chain, plan).includes('swingK'))
    return undefined
  const controller = context.chain.devices.find(({ id }) => id === plan.output.device)!.facts.controller!
  const stepK = edited.job.temperatureUnit === 'F' ? (controller.display.stepF * 5) / 9 : controller.display.stepC
  const advisedK = startsOf(context, plan)?.allowedSwingK ?? plan.swingK * begun.overStarts
  for (const times of [1, 1.3, 1.7]) {
    const swingK = Math.ceil((Math.max(advisedK, plan.swingK) * times) / stepK - 1e-6) * stepK
    if (swingK - plan.swingK < 1e-9) continue
    const next = withLoopSetting(edited.loop, plan.id, 'swingK', swingK)
    const after = judge(next)
    if (after.overStarts <= 1 && after.looks < begun.looks && after.findings <= begun.findings)
      return { facts: { settings: { swingK }, holds: true, beyondK: 0, overStarts: 0, ways: [] }, loop: next }
  }
  return {
    facts: {
      ...{ settings: {}, holds: false, beyondK: 0, overStarts: begun.overStarts },
      ways: [{ way: 'more-mass', times: begun.overStarts }],
    },
  }
}
