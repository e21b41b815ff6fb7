import { answersOf } from '../kinds/answersOf'
import type { FanBehaviour, PlanOf } from '../settings/behaviour'
import { allowedStarts } from '../settings/allowedStarts'
import { fieldValue } from '../plant/fieldValue'
import type { LoopRun } from '../simulate/loop/loopScenario'
import { runFigures } from '../simulate/runFigures'
import type { SimulationResult } from '../simulate/scenario'
import { factsOfKind } from '../kinds/kinds'
import { type Late, sayRun } from '../words/runWords'
import type { RunWords } from '../words/sentences'
import type { LoopContext } from '../loop/context'
import { defrostFound } from './defrostFound'
import { ruling, saysRuling } from './fanRuling'
import { LEAST_SEEN_K, type RunFound } from './runFound'

/** The same with its sentences. */
type RunSentence = RunFound & RunWords

export interface RunOutcome {
  /** The most telling one first. */
  readonly sentences: readonly RunSentence[]
  /** Furthest under and over the target after settling in, K, never under 0; left out without a target. */
  readonly underK?: number
  readonly overK?: number
  readonly figures: ReturnType<typeof runFigures>
}

const MINUTE_S = 60
/** Running this share of the time is all the time. */
const FULL_SHARE = 0.97
/** Running this much more than its least is still nothing to speak of. */
const IDLE_SHARE = 0.03

/** What the target is that a loop's controlled place is held against, and how far it may stray. */
function wanted({ loop, survey }: LoopContext, run: LoopRun) {
  const { tolerance } = answersOf(loop)
  // Water that follows the weather has no one target: its line is held against it instead.
  const target = survey && !survey.boiler ? survey.seen.targetC : undefined
  return {
    target: run.outputs.length > 0 ? target : undefined,
    tolerance: typeof tolerance === 'number' ? tolerance : undefined,
  }
}

/** Where it stands under full power, or at rest under a band, and what to do about it. */
function shortOf(
  context: LoopContext,
  plan: PlanOf,
  figures: RunOutcome['figures'],
  aroundC: number,
  onShare: number,
): RunFound | undefined {
  const sign = plan.action === 'heating' ? 1 : -1
  const setC = plan.kind === 'on-off' ? (plan.onC + plan.offC) / 2 : plan.setpointC
  const shortK = sign * (setC - figures.settlesC)
  const { tolerance } = answersOf(context.loop)
  const mayK = typeof tolerance === 'number' ? tolerance : 1
  if (onShare >= FULL_SHARE && shortK > mayK + LEAST_SEEN_K) {
    const powerW = context.survey?.seen.fullPowerW ?? context.survey?.seen.powerW ?? 0
    return {
      verdict: 'look',
      code: 'saturated',
      figures: { settlesC: figures.settlesC, setC, powerW, aroundC, action: plan.action },
    }
  }
  if (plan.kind !== 'band' || plan.integralS > 0) return undefined
  if (Math.abs(shortK) <= mayK + LEAST_SEEN_K) return undefined
  return {
    verdict: 'look',
    code: 'droop',
    figures: {
      settlesC: figures.settlesC,
      setC,
      aroundC,
      shortK,
      short: shortK * sign > 0,
    },
  }
}

/** How far it went from the target, and whether moving the setpoint or narrowing the swing would mend it. */
function strays(context: LoopContext, run: LoopRun, plan: PlanOf, figures: RunOutcome['figures'], faulted: boolean) {
  const { survey } = context
  const { target, tolerance } = wanted(context, run)
  const place = run.nodes[run.controlled] ?? 'place'
  const { lowestC, highestC } = figures
  const upper = plan.kind === 'on-off' ? Math.max(plan.onC, plan.offC) : plan.setpointC
  const lower = plan.kind === 'on-off' ? Math.min(plan.onC, plan.offC) : plan.setpointC
  const [pastK, point] =
    plan.action === 'heating' ? [highestC - upper, 'upper' as const] : [lower - lowestC, 'lower' as const]
  const late: Late | undefined =
    plan.kind === 'on-off' && pastK > LEAST_SEEN_K && !survey?.boiler && !faulted ? { pastK, point } : undefined
  if (target === undefined || tolerance === undefined)
    return {
      sentence: {
        verdict: 'fits' as const,
        code: 'ran' as const,
        figures: {
          place,
          lowestC,
          highestC,
          late,
        },
      },
    }
  const underK = Math.max(0, target - lowestC)
  const overK = Math.max(0, highestC - target)
  if (underK <= tolerance + LEAST_SEEN_K && overK <= tolerance + LEAST_SEEN_K)
    return {
      sentence: {
        verdict: 'fits' as const,
        code: 'holds' as const,
        figures: {
          place,
          underK,
          overK,
          target,
          tolerance,
          late,
        },
      },
      underK,
      overK,
    }
  return {
    sentence: {
      verdict: 'look' as const,
      code: 'strays' as const,
      figures: {
        place,
        underK,
        overK,
        target,
        tolerance,
        late,
      },
    },
    underK,
    overK,
  }
}

/** Water by the weather: how far it went from its own line. */
function alongLine(context: LoopContext, run: LoopRun, plan: PlanOf, result: SimulationResult): RunFound | undefined {
  const [line] = Object.values(result.trace.lines)
  const water = result.trace.nodes[run.controlled]
  if (!line || !water || !context.survey?.boiler) return undefined
  let under = 0
  let over = 0
  let asked = 0
  const settled = Math.floor(water.length / 10)
  for (let i = settled; i < water.length; i++) {
    const value = line[i]!
    if (Number.isNaN(value)) continue
    asked++
    under = Math.max(under, value - water[i]!)
    over = Math.max(over, water[i]! - value)
  }
  const rooms = result.summary
  const half = plan.kind === 'on-off' ? plan.swingK / 2 : plan.kind === 'band' ? plan.bandK : 0
  if (asked === 0)
    return {
      verdict: 'fits',
      code: 'no-call',
      figures: { roomsFromC: rooms.minimumC['building']!, roomsToC: rooms.maximumC['building']! },
    }
  const figures = {
    underK: Math.max(0, under),
    overK: Math.max(0, over),
    roomsFromC: rooms.minimumC['building']!,
    roomsToC: rooms.maximumC['building']!,
  }
  return under <= half * 1.25 + 1
    ? { verdict: 'fits', code: 'holds-line', figures }
    : { verdict: 'look', code: 'strays-line', figures }
}

/**
 * What a simulated run says: did it hold, and if not, what to change. Every sentence is made of the run's own numbers.
 * Where the whole excursion is narrower than the two tolerances the setpoint is only in the wrong place; where it is wider the swing gives way by the
 * excess; what is left is lag, power or a fault.
 */
export function runOutcome(context: LoopContext, run: LoopRun, result: SimulationResult, aroundC: number): RunOutcome {
  const { words, chain, data } = context
  const { events, summary } = result
  const [first] = run.outputs
  const figures = runFigures(
    result,
    run.controlled,
    run.outputs.map(({ actuator }) => actuator),
    run.scenario.durationS,
    judgedWithin(context, run, result),
  )
  if (!first) return { sentences: [], figures }
  const { plan } = first
  const found: RunFound[] = []
  const fault = events.find(({ what }) => what === 'fault')
  if (fault)
    found.push({
      verdict: 'look',
      code: 'fault',
      figures: { atS: fault.atS, fault: fault.why ?? '', of: nameOf(context, run, fault.of) },
    })
  const trip = events.find(({ what }) => what === 'trip')
  if (trip) {
    const device = chain.devices.find(({ tag }) => tag === trip.of)
    const cold = device?.facts.permissive?.senses === 'frost'
    found.push(
      cold
        ? { verdict: 'look', code: 'frozen', figures: { of: trip.of, atS: trip.atS } }
        : {
            verdict: 'look',
            code: 'trip',
            figures: {
              of: trip.of,
              atS: trip.atS,
              floor: context.survey?.floor !== undefined,
              dialC: device?.dialC,
            },
          },
    )
  }
  const held = fault ? undefined : heldOpen(run, result)
  if (held)
    found.push({
      verdict: 'look',
      code: 'held',
      figures: { of: nameOf(context, run, held.of), by: held.by, atS: held.atS },
    })
  const cut = events.find(({ what }) => what === 'cut-off')
  if (cut)
    found.push({
      verdict: 'look',
      code: 'cut-off',
      figures: { atS: cut.atS, starts: summary.starts[first.actuator] ?? 0 },
    })
  const onShare =
    run.outputs.length === 0
      ? 0
      : Math.min(...run.outputs.map(({ actuator }) => (summary.onS[actuator] ?? 0) / run.scenario.durationS))
  const rule = plan.kind === 'fan' ? ruling(run, result, plan) : undefined
  // What humidity commands is no fault of the temperature's control: that is held against its target where it rules itself.
  const judged = rule ? { ...figures, lowestC: Math.max(figures.lowestC, rule.lowestC) } : figures
  const timed = events.some(({ what }) => what === 'time-over')
  const short = timed || fault ? undefined : shortOf(context, plan, judged, aroundC, lateShare(run, result) ?? onShare)
  const along = alongLine(context, run, plan, result)
  const far = strays(context, run, plan, judged, fault !== undefined)
  const resting = timed || fault ? undefined : idle(context, run, plan, judged, lateShare(run, result) ?? onShare)
  found.push(short ?? resting ?? along ?? far.sentence)
  if (rule) found.push(...saysRuling(context, plan as PlanOf<FanBehaviour>, rule, figures))
  for (const { plan: each, actuator } of run.outputs) {
    const most = allowedStarts(context, each.output)
    const own = runFigures(result, run.controlled, [actuator], run.scenario.durationS)
    if (!most || own.worstHour <= most.perHour) continue
    const name = chain.devices.find(({ id }) => id === actuator)?.tag ?? 'It'
    found.push({
      verdict: 'look',
      code: 'starts',
      figures: {
        name,
        worstHour: own.worstHour,
        ofDevice: most.device !== undefined,
        perHour: most.perHour,
      },
    })
  }
  found.push(...defrostFound(context, run, result))
  const iced = events.filter(({ what, why }) => what === 'drips' && why === 'time').length
  const melts = events.filter(({ what }) => what === 'melts').length
  if (iced > 0 && !found.some(({ code }) => code === 'no-coil-probe'))
    found.push({
      verdict: 'look',
      code: 'ice',
      figures: { iced, melts },
    })
  const over = events.find(({ what }) => what === 'time-over')
  if (over) found.push(timeOver(context, run, result, over.atS, figures.lowestC))
  const alarm = events.find(({ what }) => what === 'alarm')
  if (alarm)
    found.push({
      verdict: 'look',
      code: 'alarm',
      figures: { atS: alarm.atS, alarms: summary.alarms, delayMin: fieldValue(data, 'sim.alarm.delay').typical },
    })
  return {
    sentences: found.map((each) => ({ ...each, ...sayRun(each, words) })),
    figures,
    ...(far.underK === undefined ? {} : { underK: far.underK, overK: far.overK }),
  }
}

/** The first load that is called and kept from running by a contact that stays open: a control without a plan, a relay that nothing pulls. */
function heldOpen({ scenario, conditions }: LoopRun, { events }: SimulationResult) {
  for (const { what, of, why = '', atS } of events) {
    if (what !== 'held') continue
    const names = why.split(', ')
    const stays = names.filter((name) => {
      const input = scenario.inputs?.[name]
      return input !== undefined && 'constant' in input && !input.constant
    })
    if (stays.length > 0) return { of, atS, by: stays.map((name) => conditions[name] ?? name).join(' and ') }
  }
  return undefined
}

/** This much less than was asked for at temperature is no difference, s. */
const HELD_SLACK_S = 120

/** What a timer ended, and whether it was at its temperature for as long as was asked for. */
function timeOver(
  { loop }: LoopContext,
  run: LoopRun,
  { trace }: SimulationResult,
  atS: number,
  lowestC: number,
): RunFound {
  const timer = run.scenario.controls.find((control) => control.kind === 'timer')
  const { hold } = answersOf(loop)
  const wantedS = typeof hold === 'number' ? hold * MINUTE_S : undefined
  const reachedAt = trace.nodes[run.controlled]?.findIndex((value) => value >= reachedC(loop, run)) ?? -1
  const heldS = reachedAt < 0 ? 0 : Math.max(0, atS - trace.timeS[reachedAt]!)
  const short = wantedS !== undefined && heldS < wantedS - HELD_SLACK_S
  return {
    verdict: short ? 'look' : 'fits',
    code: 'time-over',
    figures: {
      atS,
      lowestC,
      ...(short
        ? {
            short: {
              heldS,
              wantedS,
              fromKey: timer?.kind === 'timer' && timer.from === undefined,
              reached: reachedAt >= 0,
            },
          }
        : {}),
    },
  }
}

/** From where on it counts as being at its temperature: within what it may stray of the setpoint. */
function reachedC(loop: LoopContext['loop'], run: LoopRun): number {
  const { tolerance } = answersOf(loop)
  const plan = run.outputs[0]?.plan
  return (plan?.setpointC ?? Infinity) - (typeof tolerance === 'number' ? tolerance : 1)
}

/** Stretch in which a run that starts cold, or that a timer ends, is held against its target. */
function judgedWithin({ loop, survey }: LoopContext, run: LoopRun, { events, trace }: SimulationResult) {
  const over = events.find(({ what }) => what === 'time-over')
  if (!factsOfKind(loop.kind).startsCold && !over) return undefined
  const values = trace.nodes[run.controlled]
  const { tolerance } = answersOf(loop)
  const nearC = (survey?.seen.targetC ?? Infinity) - (typeof tolerance === 'number' ? tolerance : 1)
  const reached = values?.findIndex((value) => value >= nearC) ?? -1
  return {
    fromS: reached < 0 ? Math.min(run.scenario.durationS / 3, 6 * 3600) : trace.timeS[reached]!,
    untilS: over?.atS ?? Infinity,
  }
}

/** Too cold while nothing cools, too warm while nothing heats: no setting of this control mends that. */
function idle(
  context: LoopContext,
  run: LoopRun,
  plan: PlanOf,
  figures: RunOutcome['figures'],
  share: number,
): RunFound | undefined {
  const { target, tolerance } = wanted(context, run)
  if (target === undefined || tolerance === undefined) return undefined
  const least =
    plan.kind === 'fan' && plan.minimumPercent !== 'off'
      ? plan.minimumPercent / 100
      : plan.kind === 'band'
        ? plan.minimumPercent / 100
        : 0
  const sign = plan.action === 'cooling' ? 1 : -1
  const reachC = plan.action === 'cooling' ? figures.lowestC : figures.highestC
  const setC = plan.kind === 'on-off' ? plan.offC : plan.setpointC
  if (
    share > least + IDLE_SHARE ||
    sign * (target - reachC) <= tolerance + LEAST_SEEN_K ||
    sign * (setC - figures.settlesC) <= 0
  )
    return undefined
  const cools = plan.action === 'cooling'
  return {
    verdict: 'look',
    code: 'idle',
    figures: { cools, reachC, leastPercent: least * 100, target },
  }
}

/** Share of the time that the first output was on at the end, where it settles. */
function lateShare(run: LoopRun, { trace }: SimulationResult): number | undefined {
  const shares = run.outputs.map(({ actuator }) => trace.drives[actuator]).filter((each) => each !== undefined)
  const [first] = shares
  if (!first || first.length < 30) return undefined
  const from = Math.floor((first.length * 2) / 3)
  return Math.min(...shares.map((values) => values.slice(from).reduce((sum, v) => sum + v, 0) / (values.length - from)))
}

/** What an id of the scenario is called on site. */
function nameOf({ chain }: LoopContext, run: LoopRun, id: string): string {
  const device = chain.devices.find((each) => each.id === id)
  if (device) return `${device.tag} ${device.name}`
  const [stage, index] = [id.slice(0, id.lastIndexOf(' ')), id.slice(id.lastIndexOf(' ') + 1)]
  if (run.outputs.some(({ control }) => control === stage)) return `stage ${index}`
  if (id.startsWith('probe ')) return 'the probe'
  if (id.startsWith('outdoor ')) return 'the outdoor probe'
  return id === 'supply' ? 'the supply' : (run.nodes[id] ?? id)
}
