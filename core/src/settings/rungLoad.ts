import type { OnOffBehaviour, PlanOf } from './behaviour'
import { rungsOf } from './stages/stageGroup'
import { reachOf } from '../wiring/reach'
import type { LoopContext } from '../loop/context'

/** What one rung works against: its own power, and where the place would rest with the rungs before it on and this one off. */
export interface RungLoad {
  readonly powerW: number
  readonly restC: number
  readonly lossWPerK: number
  readonly capacityJPerK: number
  /** The rest that is kept after each stop: the control's, or the load's own where that is longer. */
  readonly minimumOffS: number
  /** How many stages share the work. */
  readonly stages: number
}

/**
 * The plant as one rung sees it on the design day. Stages share the power by their nameplates, or evenly where they have none; those
 * before it run.
 * @param outdoorShiftK how much warmer than on the design day it is around
 * @returns undefined without a survey, without power, or where the rung does the other action
 */
export function rungLoad(
  { loop, chain, survey }: Pick<LoopContext, 'loop' | 'chain' | 'survey'>,
  plan: OnOffBehaviour,
  outdoorShiftK = 0,
): RungLoad | undefined {
  if (!survey || !(survey.seen.powerW > 0) || survey.seen.action !== plan.action) return undefined
  const { powerW, restC, lossWPerK, capacityJPerK } = survey.seen
  const found = Object.entries(loop.settings.planned).find(
    ([, { output }]) => output.device === plan.output.device && output.port === plan.output.port,
  )
  const rungs: readonly PlanOf<OnOffBehaviour>[] = found
    ? rungsOf(loop.settings.planned, found[0]).filter(({ action }) => action === plan.action)
    : []
  const plates = rungs.map(({ output }) => reachOf(chain, output).reduce((sum, { givesW }) => sum + givesW, 0))
  const all = plates.reduce((sum, w) => sum + w, 0)
  const at = rungs.findIndex(({ output }) => output.port === plan.output.port)
  // Nameplates of a part of the stages say nothing of the whole.
  const whole = rungs.length > 0 && plates.every((w) => w > 0)
  const share = (i: number) => (whole ? (powerW * plates[i]!) / all : powerW / Math.max(1, rungs.length))
  const beforeW = rungs.slice(0, Math.max(0, at)).reduce((sum, _, i) => sum + share(i), 0)
  const sign = plan.action === 'heating' ? 1 : -1
  return {
    powerW: rungs.length > 1 ? share(Math.max(0, at)) : powerW,
    restC: restC + outdoorShiftK + (sign * beforeW) / lossWPerK,
    lossWPerK,
    capacityJPerK,
    minimumOffS: Math.max(
      plan.minimumOffS,
      ...reachOf(chain, plan.output).map(({ device }) =>
        device.facts.load?.timesOwnMinimumOff ? (device.facts.load.minimumOffS ?? 0) : 0,
      ),
    ),
    stages: Math.max(1, rungs.length),
  }
}
