import { feedOf } from '../document/chain'
import { loopContext, type LoopContext } from '../loop/context'
import { planOf, type PlanOf } from '../settings/behaviour'
import { helps, type WayOut } from '../words/adviceWords'
import { withLoopSetting } from '../simulate/loop/sweep'
import { comparisons } from './comparisons'
import { tunedPlans } from './tunedPlans'
import { type PlantChange, type TradeOff, tradeOff, type TradePoint, tradePoint, type Trial } from './tradeOff'

/** A tolerance is named in steps of this, K. */
const TOLERANCE_STEP_K = 0.1
/** Store that is tried, times what is there: more than this nobody fits. */
const MASSES = [1.5, 2, 3, 5]
/** Shares of the power that are tried; each must still carry the design day. */
const POWERS = [0.75, 0.5, 0.35]
/** A probe that is late by this share of what the present one is. */
const QUICKER = 0.3
/** A probe that is no later than this is quick already, s. */
const QUICK_S = 30
/** More power than the load asks for, so that it comes back after a door or a night. */
const RESERVE = 1.15

const keepsAll = (trade: TradeOff | undefined): boolean => (trade?.ranges.all.length ?? 0) > 0

/** Ranges of a way that was tried, as they are told. */
const found = (trade: TradeOff | undefined) => ({ ranges: trade?.ranges.all ?? [] })

/** The first of some changes of the plant under which a setting keeps everything; the last one where none does. */
function firstThat(trial: Trial, changes: readonly PlantChange[]) {
  let last: { change: PlantChange; trade: TradeOff | undefined } | undefined
  for (const change of changes) {
    last = { change, trade: tradeOff({ ...trial, change, rough: true }) }
    if (keepsAll(last.trade)) return last
  }
  return last
}

/** The least that it strays by while it keeps what else is wished for, up to the next step that is named, K. */
function leastStray({ points, bounds }: TradeOff): number | undefined {
  const others = points.filter(
    ({ keeps }) => (bounds.starts === undefined || keeps.starts) && (bounds.battery === undefined || keeps.battery),
  )
  if (others.length === 0) return undefined
  const least = Math.min(...others.map(({ days }) => Math.max(days.design.strayK, days.mild.strayK)))
  return Math.ceil(least / TOLERANCE_STEP_K - 1e-6) * TOLERANCE_STEP_K
}

/** The point that strays least, and what would have to be borne there. */
function leastOfAll({ points, bounds }: TradeOff) {
  const strayOf = ({ days }: TradePoint) => Math.max(days.design.strayK, days.mild.strayK)
  const startsOf = ({ days, halfLoad = 0 }: TradePoint) =>
    Math.ceil(Math.max(days.design.starts, days.mild.starts, halfLoad) - 1e-6)
  const near = (k: number) => Math.ceil(k / TOLERANCE_STEP_K - 1e-6) * TOLERANCE_STEP_K
  const toK = Math.max(bounds.stray ?? 0, near(Math.min(...points.map(strayOf))))
  const kept = points.filter((point) => bounds.stray === undefined || strayOf(point) <= toK + 1e-9)
  const perHour = Math.min(...kept.map(startsOf))
  const values = kept.filter((point) => startsOf(point) <= perHour).map(({ value }) => value)
  return { toK, perHour, ranges: [{ low: Math.min(...values), high: Math.max(...values) }] }
}

/** The loop asked to hold less closely. */
function withTolerance({ edited, ...rest }: Trial, toK: number): Trial {
  const { loop } = edited
  const survey = { ...loop.survey, answers: { ...loop.survey.answers, tolerance: toK } }
  return { ...rest, edited: { ...edited, loop: { ...loop, survey } } }
}

/** The other way of control, where this load bears it: by this controller, or by another one. */
function otherControl(trial: Trial): readonly WayOut[] {
  const { edited, data, plan } = trial
  const context = loopContext(edited.job, edited.loop, data)
  const way = comparisons(context).find(({ id }) => id === 'way')
  const side = way?.sides.find(({ loop }) => loop !== edited.loop)
  if (!side) return []
  const { keeps } = tradePoint({ ...trial, setting: undefined, edited: { ...edited, loop: side.loop } })
  const kind = side.loop.settings.planned[plan]?.kind
  return kind === undefined
    ? []
    : [
        {
          ...{ way: 'control', kind, keeps: keeps.stray && keeps.starts && keeps.battery },
          elsewhere: side.elsewhere === true,
        },
      ]
}

/** The middle of the plan where the design day stays nearest to the target, where it can be keyed. */
function elsewhere(trial: Trial): WayOut | undefined {
  const { edited, data, plan } = trial
  const { setpointC } = planOf(plan, edited.loop.settings.planned[plan]!)
  const tuned = tunedPlans(edited, data).edited.loop.settings.planned[plan]
  if (!tuned || Math.abs(tuned.setpointC - setpointC) < 1e-9) return undefined
  const loop = withLoopSetting(edited.loop, plan, 'setpointC', tuned.setpointC)
  const tried = tradeOff({ ...trial, edited: { ...edited, loop }, rough: true })
  return { way: 'setpoint', setpointC: tuned.setpointC, ...found(tried) }
}

const carries = ({ survey }: LoopContext, share: number) => {
  const { loadW, powerW, fullPowerW } = survey!.seen
  return share * (fullPowerW ?? powerW) >= loadW
}

/**
 * What else there is where no value of a setting keeps everything that is wished for: a wider tolerance, more mass, another power, a quicker
 * probe, another way of control. Each was tried on both days with the figure that it is told with; what was tried in vain says so.
 */
export function waysOut(trial: Trial, trade: TradeOff): readonly WayOut[] {
  const { edited, data } = trial
  const context = loopContext(edited.job, edited.loop, data)
  const plan: PlanOf = planOf(trial.plan, edited.loop.settings.planned[trial.plan]!)
  const { powerW, fullPowerW = powerW, loadW } = context.survey!.seen
  const ways: WayOut[] = []
  if (!carries(context, 1)) {
    const powerTimes = (loadW / fullPowerW) * RESERVE
    const tried = tradeOff({ ...trial, change: { powerTimes }, rough: true })
    return [{ way: 'power', toW: fullPowerW * powerTimes, ...found(tried) }]
  }
  const toK = trade.bounds.stray === undefined ? undefined : leastStray(trade)
  if (toK !== undefined && toK > trade.bounds.stray!) {
    const tried = tradeOff(withTolerance(trial, toK))
    if (keepsAll(tried)) ways.push({ way: 'tolerance', toK, ...found(tried) })
  }
  const moved = elsewhere(trial)
  if (moved) ways.push(moved)
  const mass = firstThat(
    trial,
    MASSES.map((massTimes) => ({ massTimes })),
  )
  if (mass) ways.push({ way: 'mass', times: mass.change.massTimes!, ...found(mass.trade) })
  const smaller = firstThat(
    trial,
    POWERS.filter((share) => carries(context, share)).map((powerTimes) => ({ powerTimes })),
  )
  if (smaller) ways.push({ way: 'power', toW: fullPowerW * smaller.change.powerTimes!, ...found(smaller.trade) })
  const lagS = feedOf(context.chain, plan.input)?.fromDevice.facts.probe?.lagS
  if (lagS !== undefined && lagS > QUICK_S) {
    const tried = tradeOff({ ...trial, change: { lagS: lagS * QUICKER }, rough: true })
    ways.push({ way: 'probe', lagS: lagS * QUICKER, ...found(tried) })
  }
  ways.push(...otherControl(trial))
  const { starts, stray } = trade.bounds
  if (starts !== undefined && !ways.some(helps)) {
    const { toK: byK, perHour, ranges } = leastOfAll(trade)
    if (perHour > starts)
      ways.push({ way: 'starts', perHour, ...(stray !== undefined && byK > stray ? { toK: byK } : {}), ranges })
  }
  // What helps first.
  return [...ways].sort((a, b) => Number(helps(b)) - Number(helps(a)))
}
