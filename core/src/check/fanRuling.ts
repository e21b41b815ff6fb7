import { answersOf } from '../kinds/answersOf'
import type { LoopContext } from '../loop/context'
import type { FanBehaviour, PlanOf } from '../settings/behaviour'
import type { LoopRun } from '../simulate/loop/loopScenario'
import { HUMIDITY } from '../simulate/loop/parts/addFan'
import type { RunFigures } from '../simulate/runFigures'
import type { SimulationResult } from '../simulate/scenario'
import { LEAST_SEEN_K, type RunFound } from './runFound'

/** What commands a fan that follows warmth and humidity. */
interface Ruling {
  /** Shares of the time in which each commands; at neither it runs at its least. */
  readonly warmthPercent: number
  readonly humidityPercent: number
  /** Lowest where humidity does not command. */
  readonly lowestC: number
  readonly dampestPercent: number
}

/** Who commands a fan, moment by moment once it has settled in; nothing where it follows one demand alone. */
export function ruling(run: LoopRun, { trace }: SimulationResult, plan: PlanOf): Ruling | undefined {
  const id = (name: string) =>
    Object.keys(run.demands).find((each) => run.demands[each] === name && each.startsWith(plan.id))
  const [warmth, humidity] = [trace.demands[id('warmth') ?? ''], trace.demands[id('humidity') ?? '']]
  const [reads, place] = [trace.probes[HUMIDITY], trace.nodes[run.controlled]]
  if (!warmth || !humidity || !reads || !place) return undefined
  const from = Math.floor(place.length / 10)
  let [warm, damp, lowestC, dampest] = [0, 0, Infinity, 0]
  for (let i = from; i < place.length; i++) {
    const byHumidity = humidity[i]! > warmth[i]!
    if (byHumidity) damp++
    else {
      lowestC = Math.min(lowestC, place[i]!)
      if (warmth[i]! > 0) warm++
    }
    if (reads[i]! > dampest) dampest = reads[i]!
  }
  const percent = (count: number) => (100 * count) / Math.max(1, place.length - from)
  return {
    warmthPercent: percent(warm),
    humidityPercent: percent(damp),
    lowestC: Number.isFinite(lowestC) ? lowestC : -Infinity,
    dampestPercent: dampest,
  }
}

/** Over full by more than this is more than a probe's own error. */
const DAMP_SLACK_PERCENT = 2

/** Who commands the fan, what that does to the temperature, and whether the humidity is held. */
export function saysRuling(
  context: LoopContext,
  plan: PlanOf<FanBehaviour>,
  rule: Ruling,
  { lowestC }: RunFigures,
): RunFound[] {
  const { target, tolerance } = answersOf(context.loop)
  const { humidityPercent: setPercent, humidityBandPercent: bandPercent = 10 } = plan
  if (setPercent === undefined) return []
  const fullPercent = setPercent + bandPercent
  const damp = rule.dampestPercent > fullPercent + DAMP_SLACK_PERCENT
  const found: RunFound[] = [
    {
      verdict: damp ? 'look' : 'fits',
      code: damp ? 'too-damp' : 'commands',
      figures: { ...rule, setPercent, fullPercent },
    },
  ]
  if (
    typeof target === 'number' &&
    typeof tolerance === 'number' &&
    rule.humidityPercent > 0 &&
    target - lowestC > tolerance + LEAST_SEEN_K
  )
    if (lowestC < rule.lowestC - LEAST_SEEN_K)
      found.push({ verdict: 'look', code: 'cold-by-humidity', figures: { lowestC, target, setPercent } })
  return found
}
