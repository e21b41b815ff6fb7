import type { PlanOf } from '../document/behaviour'
import { fieldValue } from '../plant/fieldValue'
import { floorLimit } from '../plant/floorOutput'
import type { LoopRun } from '../simulate/loop/loopScenario'
import { runFigures } from '../simulate/runFigures'
import type { SimulationResult } from '../simulate/scenario'
import { factsOfKind } from '../survey/kindFacts'
import { hours } from '../units/hours'
import { counted } from '../units/words'
import type { LoopContext } from './context'
import { mostStarts } from './mostStarts'

/** One thing that a run says to the fitter: what happened, with its numbers, and what to do next. */
export interface RunSentence {
  readonly id:
    | 'trip'
    | 'cut-off'
    | 'saturated'
    | 'droop'
    | 'strays'
    | 'holds'
    | 'idle'
    | 'ran'
    | 'starts'
    | 'alarm'
    | 'ice'
    | 'frozen'
    | 'time-over'
    | 'fault'
  readonly verdict: 'fits' | 'look'
  readonly head: string
  readonly reason: string
  readonly next?: string
}

export interface RunOutcome {
  /** The most telling one first. */
  readonly sentences: readonly RunSentence[]
  /** Furthest under and over the target after settling in, K, never under 0; left out without a target. */
  readonly underK?: number
  readonly overK?: number
  readonly figures: ReturnType<typeof runFigures>
}

/** Less than this is no difference to anybody. */
const LEAST_SEEN_K = 0.05
/** Running this share of the time is all the time. */
const FULL_SHARE = 0.97
/** Running this much more than its least is still nothing to speak of. */
const IDLE_SHARE = 0.03

const hourText = (atS: number, { say }: LoopContext['words']) => say(hours(atS), 'hours')

/** What the target is that a loop's controlled place is held against, and how far it may stray. */
function wanted({ loop, survey }: LoopContext, run: LoopRun) {
  const { tolerance } = loop.survey.answers
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
): RunSentence | undefined {
  const { words, data } = context
  const { say } = words
  const sign = plan.action === 'heating' ? 1 : -1
  const setC = plan.kind === 'on-off' ? (plan.onC + plan.offC) / 2 : plan.setpointC
  const shortK = sign * (setC - figures.settlesC)
  const { tolerance } = context.loop.survey.answers
  const mayK = typeof tolerance === 'number' ? tolerance : 1
  const at = `at ${say(aroundC, 'temperature')} around it`
  if (onShare >= FULL_SHARE && shortK > mayK + LEAST_SEEN_K) {
    const powerW = context.survey?.seen.fullPowerW ?? context.survey?.seen.powerW ?? 0
    return {
      id: 'saturated',
      verdict: 'look',
      head: `Reaches ${say(figures.settlesC, 'temperature')}, not ${say(setC, 'temperature')}.`,
      reason: `It runs all the time: ${say(powerW, 'power')} give no more ${at}.`,
      next: `More ${plan.action === 'heating' ? 'power, or less loss' : 'cooling, or less heat'}, or agree ${say(figures.settlesC, 'temperature')}. No setting mends it.`,
    }
  }
  if (plan.kind !== 'band' || plan.integralS > 0) return undefined
  if (Math.abs(shortK) <= mayK + LEAST_SEEN_K) return undefined
  const narrowerK = (plan.bandK * mayK) / Math.abs(shortK)
  const swing = fieldValue(data, factsOfKind(context.loop.kind).swing(context.loop.survey.answers)).typical
  return {
    id: 'droop',
    verdict: 'look',
    head: `Reaches ${say(figures.settlesC, 'temperature')}, not ${say(setC, 'temperature')}.`,
    reason: `${at[0]!.toUpperCase()}${at.slice(1)} the band leaves it ${say(Math.abs(shortK), 'difference')} ${shortK * sign > 0 ? 'short' : 'over'}.`,
    next: `Set ${say(plan.setpointC + sign * shortK, 'temperature')}, narrow the band to ${say(narrowerK, 'difference')}, or choose a swing of ${say(swing, 'difference')}.`,
  }
}

/** How far it went from the target, and whether moving the set or narrowing the swing would mend it. */
function strays(context: LoopContext, run: LoopRun, plan: PlanOf, figures: RunOutcome['figures'], faulted: boolean) {
  const { survey, words } = context
  const { say } = words
  const { target, tolerance } = wanted(context, run)
  const place = run.nodes[run.controlled] ?? 'place'
  const { lowestC, highestC } = figures
  const upper = plan.kind === 'on-off' ? Math.max(plan.onC, plan.offC) : plan.setpointC
  const lower = plan.kind === 'on-off' ? Math.min(plan.onC, plan.offC) : plan.setpointC
  const [pastK, past] = plan.action === 'heating' ? [highestC - upper, 'upper'] : [lower - lowestC, 'lower']
  const lag =
    plan.kind === 'on-off' && pastK > LEAST_SEEN_K && !survey?.boiler && !faulted
      ? ` It runs ${say(pastK, 'difference')} past its ${past} point: the probe follows late.`
      : ''
  if (target === undefined || tolerance === undefined)
    return {
      sentence: {
        id: 'ran' as const,
        verdict: 'fits' as const,
        head: 'Ran.',
        reason: `The ${place} went from ${say(lowestC, 'temperature')} to ${say(highestC, 'temperature')}.${lag}`,
      },
    }
  const underK = Math.max(0, target - lowestC)
  const overK = Math.max(0, highestC - target)
  const far = `up to ${say(underK, 'difference')} under and ${say(overK, 'difference')} over ${say(target, 'temperature')}`
  const may = `${say(tolerance, 'difference')} either way is asked for`
  const reason = (verb: string) => `The ${place} ${verb} ${far}; ${may}.${lag}`
  if (underK <= tolerance + LEAST_SEEN_K && overK <= tolerance + LEAST_SEEN_K)
    return {
      sentence: { id: 'holds' as const, verdict: 'fits' as const, head: 'Holds.', reason: reason('stays') },
      underK,
      overK,
    }
  const excessK = highestC - lowestC - 2 * tolerance
  const shiftK = target - (highestC + lowestC) / 2
  const limitC =
    run.controlled === 'slab' && survey?.floor
      ? floorLimit(survey.floor.zone, survey.floor.plant.designRoomC)
      : Infinity
  const shift =
    upper + shiftK > limitC
      ? `Not by a higher set: this floor may not be over ${say(limitC, 'temperature')}. Narrow the swing, or agree a lower target.`
      : `${shiftK > 0 ? 'Raise' : 'Lower'} the set by ${say(Math.abs(shiftK), 'difference')}.`
  const next =
    excessK <= LEAST_SEEN_K
      ? shift
      : plan.kind === 'on-off' && excessK < plan.swingK - LEAST_SEEN_K
        ? `Narrow the swing to about ${say(plan.swingK - excessK, 'difference')}, then look where the middle lies.`
        : `${plan.kind === 'on-off' ? 'The swing' : 'The band'} is not the cause: look at power${survey?.floor ? ', supply water' : ''} and the place of the probe.`
  return {
    sentence: {
      id: 'strays' as const,
      verdict: 'look' as const,
      head: 'Strays too far.',
      reason: reason('goes'),
      // Nothing is set by what a broken part does.
      ...(faulted ? {} : { next }),
    },
    underK,
    overK,
  }
}

/** Water by the weather: how far it went from its own line. */
function alongLine(
  context: LoopContext,
  run: LoopRun,
  plan: PlanOf,
  result: SimulationResult,
): RunSentence | undefined {
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
  const { say } = context.words
  const rooms = result.summary
  const half = plan.kind === 'on-off' ? plan.swingK / 2 : plan.kind === 'band' ? plan.bandK : 0
  const roomsText = `The rooms went from ${say(rooms.minimumC['building']!, 'temperature')} to ${say(rooms.maximumC['building']!, 'temperature')}.`
  if (asked === 0)
    return {
      id: 'holds',
      verdict: 'fits',
      head: 'Stood still.',
      reason: `It is too warm outside for its line all the while. ${roomsText}`,
    }
  const far = `up to ${say(Math.max(0, under), 'difference')} under and ${say(Math.max(0, over), 'difference')} over its line`
  const fits = under <= half * 1.25 + 1
  return {
    id: fits ? 'holds' : 'strays',
    verdict: fits ? 'fits' : 'look',
    head: fits ? 'Follows its line.' : 'Falls behind its line.',
    reason: `The water goes ${far}. ${roomsText}`,
    ...(fits
      ? {}
      : {
          next: `It lacks power on the coldest hours, or the line is too steep: lower its design supply by about ${say(under - half, 'difference')}.`,
        }),
  }
}

/**
 * What a simulated run says: did it hold, and if not, what to change. Every sentence is made of the run's own numbers.
 * Where the whole excursion is narrower than the two tolerances the set is only in the wrong place; where it is wider the swing gives way by the
 * excess; what is left is lag, power or a fault.
 */
export function runOutcome(context: LoopContext, run: LoopRun, result: SimulationResult, aroundC: number): RunOutcome {
  const { words, chain, data } = context
  const { say } = words
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
  const sentences: RunSentence[] = []
  const fault = events.find(({ what }) => what === 'fault')
  if (fault)
    sentences.push({
      id: 'fault',
      verdict: 'look',
      head: `With a fault since ${hourText(fault.atS, words)}.`,
      reason: `${faultWords[fault.why ?? ''] ?? 'Something'} ${nameOf(context, run, fault.of)}: what follows is its doing.`,
    })
  const trip = events.find(({ what }) => what === 'trip')
  if (trip) {
    const device = chain.devices.find(({ tag }) => tag === trip.of)
    const cold = device?.facts.permissive?.senses === 'frost'
    sentences.push({
      id: cold ? 'frozen' : 'trip',
      verdict: 'look',
      head: `${trip.of} ${cold ? 'opened' : 'tripped'}.`,
      reason: cold
        ? `${hourText(trip.atS, words)} into the run it was colder than it allows.`
        : `${hourText(trip.atS, words)} into the run${context.survey?.floor ? ': the supply water is too hot for it' : ` it was hotter than its ${device?.dialC === undefined ? 'dial' : say(device.dialC, 'temperature')}`}.`,
      next: cold
        ? 'Raise the lowest stage, or look for flow. The thermostat stays.'
        : context.survey?.floor
          ? 'Lower the supply water. The limiter stays.'
          : 'Find why it got so hot. The limiter stays.',
    })
  }
  const cut = events.find(({ what }) => what === 'cut-off')
  if (cut)
    sentences.push({
      id: 'cut-off',
      verdict: 'look',
      head: `The battery is cut off after ${hourText(cut.atS, words)}.`,
      reason: `It started ${counted(summary.starts[first.actuator] ?? 0, 'time')} until then; each start glows.`,
      next: 'A wider swing starts less; a larger battery lasts longer; a smaller heater runs through.',
    })
  const onShare =
    run.outputs.length === 0
      ? 0
      : Math.min(...run.outputs.map(({ actuator }) => (summary.onS[actuator] ?? 0) / run.scenario.durationS))
  const timed = events.some(({ what }) => what === 'time-over')
  const short = timed || fault ? undefined : shortOf(context, plan, figures, aroundC, lateShare(run, result) ?? onShare)
  const along = alongLine(context, run, plan, result)
  const far = strays(context, run, plan, figures, fault !== undefined)
  const resting = timed || fault ? undefined : idle(context, run, plan, figures, lateShare(run, result) ?? onShare)
  sentences.push(short ?? resting ?? along ?? far.sentence)
  for (const { plan: each, actuator } of run.outputs) {
    const most = mostStarts(context, each)
    const own = runFigures(result, run.controlled, [actuator], run.scenario.durationS)
    if (!most || own.worstHour <= most.perHour) continue
    const name = chain.devices.find(({ id }) => id === actuator)?.tag ?? 'It'
    sentences.push({
      id: 'starts',
      verdict: 'look',
      head: `${name} starts ${counted(own.worstHour, 'time')} in one hour.`,
      reason: `${most.device ? 'It bears' : 'Usual are at most'} ${say(most.perHour, 'perHour', 0)}.`,
      next:
        each.kind === 'on-off'
          ? `A swing of about ${say((each.swingK * own.worstHour) / most.perHour, 'difference')}, or a minimum off time of ${say(3600 / most.perHour / 2, 'seconds')} and more.`
          : 'A longer cycle time, or a longer minimum off time.',
    })
  }
  const iced = events.filter(({ what, why }) => what === 'drips' && why === 'time').length
  const melts = events.filter(({ what }) => what === 'melts').length
  if (iced > 0)
    sentences.push({
      id: 'ice',
      verdict: 'look',
      head: `${counted(iced, 'defrost')} of ${melts} ended by the clock.`,
      reason: 'The coil was not warm enough by then: ice stays on it.',
      next: 'Melt longer, or more often, or with more heat.',
    })
  const over = events.find(({ what }) => what === 'time-over')
  if (over)
    sentences.push({
      id: 'time-over',
      verdict: 'fits',
      head: `The timer ended it after ${hourText(over.atS, words)}.`,
      reason: `From then on it cools down: ${say(figures.lowestC, 'temperature')} at the end.`,
    })
  const alarm = events.find(({ what }) => what === 'alarm')
  if (alarm)
    sentences.push({
      id: 'alarm',
      verdict: 'look',
      head: `Alarm after ${hourText(alarm.atS, words)}.`,
      reason: `${counted(summary.alarms, 'alarm')} in the run; it waits ${say(fieldValue(data, 'sim.alarm.delay').typical, 'minutes')} before it calls.`,
    })
  return {
    sentences,
    figures,
    ...(far.underK === undefined ? {} : { underK: far.underK, overK: far.overK }),
  }
}

/** Stretch in which a run that starts cold, or that a timer ends, is held against its target. */
function judgedWithin({ loop, survey }: LoopContext, run: LoopRun, { events, trace }: SimulationResult) {
  const over = events.find(({ what }) => what === 'time-over')
  if (loop.kind !== 'cabinet' && !over) return undefined
  const values = trace.nodes[run.controlled]
  const { tolerance } = loop.survey.answers
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
): RunSentence | undefined {
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
  const { say } = context.words
  const cools = plan.action === 'cooling'
  return {
    id: 'idle',
    verdict: 'look',
    head: `Goes ${cools ? 'down' : 'up'} to ${say(reachC, 'temperature')} with nothing asked of it.`,
    reason: `${cools ? 'It is cold enough without' : 'It is warm enough without'} ${least > 0 ? `more than its least, ${say(least * 100, 'percent')}` : 'it'}: ${say(target, 'temperature')} is the target.`,
    next: cools
      ? least > 0
        ? 'Heat is what it lacks; a lower least keeps more of it, where the air allows.'
        : 'Heat is what it lacks, not a setting.'
      : 'Look for heat that comes by itself.',
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

const faultWords: Readonly<Record<string, string>> = {
  open: 'Open:',
  short: 'Shorted:',
  drifted: 'Reads wrong:',
  'fallen-off': 'Fallen off:',
  'wrong-kind': 'Of the wrong kind:',
  sun: 'In the sun:',
  welded: 'Welded:',
  dead: 'Dead:',
  'stage-missing': 'A stage missing:',
  'supply-low': 'Low voltage:',
  'stuck-open': 'Stuck open:',
  'stuck-closed': 'Stuck closed:',
  'door-open': 'Door open:',
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
