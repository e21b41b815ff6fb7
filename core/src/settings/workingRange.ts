import { givesBetween, type PlanOf } from './behaviour'
import { rungsOf } from './stages/stageGroup'
import type { LoopContext } from '../loop/context'
import { resetController, resetView } from './reset/resetView'

/**
 * Lowest and highest temperature between which a plan works as it is meant to, °C: every stage on its scale, both ends of a band, a fan
 * from its set to full speed, a supply along the whole of its line.
 */
export function workingRange(context: LoopContext, plan: PlanOf): readonly [bottomC: number, topC: number] {
  if (plan.kind !== 'on-off') {
    const { zeroC, fullC } = givesBetween(plan)
    return [Math.min(zeroC, fullC), Math.max(zeroC, fullC)]
  }
  const points = rungsOf(context.loop.settings.planned, plan.id).flatMap(({ onC, offC }) => [onC, offC])
  const [bottomC, topC] = [Math.min(plan.onC, plan.offC, ...points), Math.max(plan.onC, plan.offC, ...points)]
  const line = resetController(context)?.id === plan.output.device ? resetView(context)?.line : undefined
  if (!line || line.length === 0) return [bottomC, topC]
  const supplies = line.map(({ supplyC }) => supplyC)
  return [Math.min(...supplies) - (plan.setpointC - bottomC), Math.max(...supplies) + (topC - plan.setpointC)]
}
