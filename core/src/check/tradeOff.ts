import { answersOf } from '../kinds/answersOf'
import { boundTo } from '../device/bound'
import type { LoopDocument } from '../document/documents'
import { loopContext, type LoopContext } from '../loop/context'
import { batteryRuntime, type BatteryInput } from '../plant/batteryRuntime'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { allowedStarts } from '../settings/allowedStarts'
import { type Behaviour, planOf, type PlanOf } from '../settings/behaviour'
import { displayStepK } from '../settings/displayStep'
import { startsOf } from '../settings/starts'
import { type LoopRun, loopScenario } from '../simulate/loop/loopScenario'
import { dayWeather } from '../simulate/loop/runWeather'
import { settingSpan } from '../simulate/loop/settingSpan'
import { settingOf, settingsKept, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import type { Quantity } from '../units/quantity'
import type { Edited } from '../wiring/edited'
import {
  type TradeBounds,
  type TradeRange,
  type TradeFacts,
  type TradeSetting,
  tradeSettings,
  type TradeWish,
  tradeWishes,
} from '../words/tradeWords'
import { runOutcome } from './runOutcome'

/** The two days that a setting is judged by. */
export const tradeDays = ['design', 'mild'] as const
export type TradeDay = (typeof tradeDays)[number]

/** What one day does at one value of a setting. */
export interface TradeRun {
  /** Most starts within any sixty minutes. */
  readonly starts: number
  /** Furthest from the target once it has settled in, K; of water that follows the weather, from its line. */
  readonly strayK: number
  /** Between what the place moves once it has settled in. */
  readonly lowestC: number
  readonly highestC: number
  readonly energyKwh: number
  /** What a battery gives in the hours that it must last, Ah. */
  readonly ampereHours?: number
  readonly keeps: Readonly<Record<TradeWish, boolean>>
}

/** Both days at one value, and the starts of the worst half load that the rules go by. */
export interface TradePoint {
  readonly value: number
  readonly days: Readonly<Record<TradeDay, TradeRun>>
  readonly halfLoad?: number
  /** The wishes that both days, and the worst half load, keep. */
  readonly keeps: Readonly<Record<TradeWish, boolean>>
}

/** A setting across, and what it costs. */
export interface TradeOff extends TradeFacts {
  /** In ascending order of their value. */
  readonly points: readonly TradePoint[]
  /** A value in the middle of the widest stretch that keeps all; that which is planned, where it does. */
  readonly best?: number
}

/** What a plant is tried as instead: nobody has it yet. */
export interface PlantChange {
  /** Water or mass that stores, times what it is. */
  readonly massTimes?: number
  /** Power, times what it is. */
  readonly powerTimes?: number
  /** The probe is late by this, s. */
  readonly lagS?: number
}

/** What is tried: a loop on a copy, and a plant that may be another. */
export interface Trial {
  readonly edited: Edited
  readonly data: FieldData
  /** The planned output. */
  readonly plan: string
  /** Left out where nothing can be moved: then it is tried as it is. */
  readonly setting?: TradeSetting | undefined
  readonly change?: PlantChange
  /** Fewer values, and no ends looked for between them: whether there is any that keeps everything. */
  readonly rough?: true
}

/** Values that are tried before the ends of a stretch are looked for. */
const FIRST = 9
const ROUGH = 5
/** A stretch's end is halved this many times. */
const MOST_HALVINGS = 3
const HOUR_S = 3600

/** Settings of a plan that a trade-off can be drawn across: those that its controller keeps. */
export const tradeSettingsOf = ({ chain }: Pick<LoopContext, 'chain'>, plan: Behaviour): readonly TradeSetting[] => {
  const kept: readonly string[] = settingsKept(chain, plan)
  return tradeSettings.filter((setting) => kept.includes(setting))
}

interface TradeAxis {
  readonly low: number
  readonly high: number
  /** What its controller is keyed in. */
  readonly step: number
  readonly quantity: Quantity
}

/** From the least that can be keyed to the most that is worth trying, in the steps of the controller. */
export function tradeAxis(context: LoopContext, plan: PlanOf, setting: TradeSetting): TradeAxis {
  const { loop, chain, data, job } = context
  const { low, high, step, quantity } = settingSpan(loop, plan, setting, data)
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  if (setting === 'minimumOffS' || !controller) return { low, high, step, quantity }
  const stepK = displayStepK(controller, job)
  const leastK =
    setting === 'swingK'
      ? Math.max(fieldValue(data, 'resolve.swing').low * stepK, boundTo(controller, 'swing')?.low ?? 0)
      : stepK
  const up = (value: number) => Math.ceil(value / stepK - 1e-6) * stepK
  // What is planned lies on it, be it ever so narrow.
  const most = boundTo(controller, setting === 'swingK' ? 'swing' : 'band')?.high ?? Infinity
  return {
    low: Math.min(up(Math.max(low, leastK)), settingOf(plan, setting)),
    high: Math.max(Math.min(up(high), most), settingOf(plan, setting)),
    ...{ step: stepK, quantity },
  }
}

/** Values of an axis that are tried first: evenly in their logarithm, as a narrow swing changes more than a wide one. */
export function tradeValues({ low, high, step }: TradeAxis, count = FIRST): readonly number[] {
  const even = low <= 0
  const made = Array.from({ length: count }, (_, i) => {
    const share = i / (count - 1)
    const value = even ? low + (high - low) * share : low * (high / low) ** share
    return i === 0 ? low : Number((Math.round(value / step) * step).toPrecision(9))
  })
  return made.filter((value, i) => made.indexOf(value) === i)
}

/** What a battery gives at this many starts and this share of the time on, over the hours that it must last; as the survey reckons it. */
function batteryNight({ survey, loop }: LoopContext) {
  const worked = survey?.lines.find(({ id }) => id === 'batteryLasts')?.worked
  const { hoursWanted } = answersOf(loop)
  if (!worked || typeof hoursWanted !== 'number') return undefined
  const input = worked.input as unknown as BatteryInput
  return {
    hasAh: (input.capacityAh * input.usablePercent) / 100,
    givesAh: (cyclesPerHour: number, dutyPercent: number) =>
      batteryRuntime({ ...input, cyclesPerHour, dutyPercent }).averageA * hoursWanted,
  }
}

/** What is wished for of a plan, in figures. */
export function tradeBounds(context: LoopContext, plan: PlanOf): TradeBounds {
  const { tolerance } = answersOf(context.loop)
  const starts = allowedStarts(context, plan.output)?.perHour
  const battery = batteryNight(context)?.hasAh
  return {
    ...(starts === undefined ? {} : { starts }),
    // What the rooms may stray is not what the water may stray from its line.
    ...(typeof tolerance === 'number' && !context.survey?.boiler ? { stray: tolerance } : {}),
    ...(battery === undefined ? {} : { battery }),
  }
}

/** Sentences of a run that say it does not hold. */
const strays: ReadonlySet<string> = new Set(['strays', 'droop', 'saturated', 'strays-line', 'cut-off'])

/** The loop with its plant another one, as the survey would tell of it. */
function asChanged(context: LoopContext, { massTimes = 1, powerTimes = 1 }: PlantChange): LoopContext {
  const { survey } = context
  if (!survey || (massTimes === 1 && powerTimes === 1)) return context
  const { seen } = survey
  return {
    ...context,
    survey: {
      ...survey,
      seen: {
        ...seen,
        capacityJPerK: seen.capacityJPerK * massTimes,
        powerW: seen.powerW * powerTimes,
        ...(seen.fullPowerW === undefined ? {} : { fullPowerW: seen.fullPowerW * powerTimes }),
      },
    },
  }
}

/** The run with its plant another one: what holds the heat, what gives it, and how late it is felt. */
function runChanged(run: LoopRun, { massTimes = 1, powerTimes = 1, lagS }: PlantChange): LoopRun {
  const { scenario } = run
  const { network } = scenario
  const felt = new Set(run.outputs.map(({ probe }) => probe))
  const moved = new Set(run.outputs.map(({ actuator }) => actuator))
  return {
    ...run,
    scenario: {
      ...scenario,
      network: {
        ...network,
        nodes: network.nodes.map((node) =>
          node.id === run.controlled ? { ...node, capacityJPerK: node.capacityJPerK * massTimes } : node,
        ),
      },
      actuators: scenario.actuators.map((each) =>
        moved.has(each.id) && each.powerW !== undefined ? { ...each, powerW: each.powerW * powerTimes } : each,
      ),
      probes: scenario.probes.map((probe) => (lagS !== undefined && felt.has(probe.id) ? { ...probe, lagS } : probe)),
    },
  }
}

/** One day of a loop as it is planned. */
function dayRun(context: LoopContext, day: TradeDay, hasAh: TradeBounds['battery'], change: PlantChange): TradeRun {
  const weather = dayWeather(context.loop, day)
  const run = runChanged(loopScenario(context, context.survey!, weather), change)
  const result = simulate(run.scenario)
  const { sentences, figures, underK, overK } = runOutcome(context, run, result, weather.extremeC)
  const line = sentences.find(({ code }) => code === 'holds-line' || code === 'strays-line')
  const along = line && 'underK' in line.figures ? (line.figures as { underK: number; overK: number }) : undefined
  const night = batteryNight(context)
  const hours = run.scenario.durationS / HOUR_S
  const ampereHours = night?.givesAh(figures.starts / hours, 100 * figures.onShare)
  const looks = sentences.filter(({ verdict }) => verdict === 'look').map(({ code }) => code)
  return {
    starts: figures.worstHour,
    strayK: along
      ? Math.max(along.underK, along.overK)
      : underK === undefined
        ? figures.highestC - figures.lowestC
        : Math.max(underK, overK ?? 0),
    ...{ lowestC: figures.lowestC, highestC: figures.highestC, energyKwh: figures.energyKwh },
    ...(ampereHours === undefined ? {} : { ampereHours }),
    keeps: {
      starts: !looks.includes('starts'),
      stray: !looks.some((code) => strays.has(code)),
      battery: !looks.includes('cut-off') && (hasAh === undefined || ampereHours === undefined || ampereHours <= hasAh),
    },
  }
}

/** Both days at one value of a setting. @throws RangeError where the loop has no survey or no such plan */
export function tradePoint({ edited, data, plan: planId, setting, change = {} }: Trial, value?: number): TradePoint {
  const loop: LoopDocument =
    setting === undefined || value === undefined ? edited.loop : withLoopSetting(edited.loop, planId, setting, value)
  const own = loopContext(edited.job, loop, data)
  const planned = loop.settings.planned[planId]
  if (!own.survey || !planned) throw new RangeError('there is nothing to try: no survey, or nothing planned')
  const context = asChanged(own, change)
  const plan = planOf(planId, planned)
  const bounds = tradeBounds(context, plan)
  const design = dayRun(context, 'design', bounds.battery, change)
  const mild = dayRun(context, 'mild', bounds.battery, change)
  const halfLoad = plan.kind === 'on-off' ? startsOf(context, plan)?.worst.perHour : undefined
  const borne = halfLoad === undefined || bounds.starts === undefined || halfLoad <= bounds.starts + 1e-9
  return {
    value: value ?? (setting === undefined ? 0 : settingOf(plan, setting)),
    days: { design, mild },
    ...(halfLoad === undefined ? {} : { halfLoad }),
    keeps: {
      starts: borne && design.keeps.starts && mild.keeps.starts,
      stray: design.keeps.stray && mild.keeps.stray,
      battery: design.keeps.battery,
    },
  }
}

const boundOf = (bounds: TradeBounds): readonly TradeWish[] => tradeWishes.filter((wish) => bounds[wish] !== undefined)

/** Stretches of neighbouring points that keep what is asked. */
function stretches(points: readonly TradePoint[], keeps: (point: TradePoint) => boolean): readonly TradeRange[] {
  const made: { low: number; high: number }[] = []
  points.forEach((point, i) => {
    if (!keeps(point)) return
    const before = points[i - 1]
    const last = made.at(-1)
    if (last && before && keeps(before)) last.high = point.value
    else made.push({ low: point.value, high: point.value })
  })
  return made
}

/** Points read as stretches, and the value in the middle of the widest that keeps everything. */
export function readTrade(
  setting: TradeSetting | undefined,
  bounds: TradeBounds,
  points: readonly TradePoint[],
  { step, now }: { readonly step: number; readonly now: number },
): TradeOff {
  const sorted = [...points].sort((a, b) => a.value - b.value)
  const bound = boundOf(bounds)
  const all = stretches(sorted, ({ keeps }) => bound.every((wish) => keeps[wish]))
  const ratio = ({ low, high }: TradeRange) => (high + step) / (low + step)
  const [widest] = [...all].sort((a, b) => ratio(b) - ratio(a))
  const kept = all.some(({ low, high }) => now >= low - 1e-9 && now <= high + 1e-9)
  const middle = widest && Math.round(Math.sqrt(Math.max(widest.low, 1e-9) * widest.high) / step) * step
  const within = widest && sorted.filter(({ value }) => value >= widest.low - 1e-9 && value <= widest.high + 1e-9)
  // Only what was tried is offered.
  const tried = within?.reduce((near, each) =>
    Math.abs(each.value - middle!) < Math.abs(near.value - middle!) ? each : near,
  )
  return {
    ...{ setting, points: sorted, bounds },
    span: { low: sorted[0]?.value ?? now, high: sorted.at(-1)?.value ?? now },
    ranges: {
      ...Object.fromEntries(bound.map((wish) => [wish, stretches(sorted, ({ keeps }) => keeps[wish])])),
      all,
    },
    ...(kept ? { best: now } : tried ? { best: tried.value } : {}),
  }
}

/** Values between two neighbours of which one keeps a wish and the other does not. */
function edges(points: readonly TradePoint[], bounds: TradeBounds, step: number): readonly number[] {
  const sorted = [...points].sort((a, b) => a.value - b.value)
  const bound = boundOf(bounds)
  const made = sorted.slice(1).flatMap((point, i) => {
    const before = sorted[i]!
    if (bound.every((wish) => point.keeps[wish] === before.keeps[wish])) return []
    const middle = Math.round((point.value + before.value) / 2 / step) * step
    return middle - before.value < step / 2 || point.value - middle < step / 2 ? [] : [Number(middle.toPrecision(9))]
  })
  return made
}

/**
 * What a setting costs across its whole span: both days run at every value, then between those where a wish begins or ends to be kept.
 * Told bit by bit, as each value may take a while. Without a setting the plan is tried as it stands.
 * @returns undefined where there is no survey, no such plan, or its controller does not keep the setting
 */
export function tradeOff(
  trial: Trial,
  onPart: (soFar: TradeOff, share: number) => void = () => undefined,
): TradeOff | undefined {
  const { edited, data, setting } = trial
  const context = loopContext(edited.job, edited.loop, data)
  const planned = edited.loop.settings.planned[trial.plan]
  if (!context.survey || !planned) return undefined
  const plan = planOf(trial.plan, planned)
  const bounds = tradeBounds(context, plan)
  if (setting === undefined) return readTrade(undefined, bounds, [tradePoint(trial)], { step: 1, now: 0 })
  if (!tradeSettingsOf(context, plan).includes(setting)) return undefined
  const axis = tradeAxis(context, plan, setting)
  const now = settingOf(plan, setting)
  const read = (points: readonly TradePoint[]) => readTrade(setting, bounds, points, { step: axis.step, now })
  const points: TradePoint[] = []
  const values = [...new Set([now, ...tradeValues(axis, trial.rough ? ROUGH : FIRST)])]
  for (const value of values) {
    points.push(tradePoint(trial, value))
    onPart(read(points), (0.8 * points.length) / values.length)
  }
  for (let i = 0; i < (trial.rough ? 0 : MOST_HALVINGS); i++) {
    const next = edges(points, bounds, axis.step)
    if (next.length === 0) break
    for (const value of next) points.push(tradePoint(trial, value))
    onPart(read(points), 0.8 + (0.2 * (i + 1)) / MOST_HALVINGS)
  }
  return read(points)
}

/** Whether there is a trade-off to draw for a plan: a fan holds one side only, and without a survey nothing can be run. */
export const hasTrade = (context: LoopContext, plan: PlanOf | undefined): plan is PlanOf =>
  plan !== undefined && plan.kind !== 'fan' && context.survey !== undefined && tradeSettingsOf(context, plan).length > 0
