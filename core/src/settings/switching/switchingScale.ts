import { stagesEnergised } from '../stages/law/stages'
import { movedField, rungsOf } from '../stages/stageGroup'
import type { Action } from '../../control/action'
import type { OnOffBehaviour, PlanOf, Switching } from '../behaviour'
import { reachOf } from '../../wiring/reach'
import type { LoopContext } from '../../loop/context'
import { cutOuts, iceLine } from '../cutOuts'

/** One switching action on the scale. */
interface SwitchingRung {
  readonly id: string
  /** Its number among the stages of its action, from 1. */
  readonly stage: number
  readonly action: Action
  readonly setpointC: number
  readonly onC: number
  readonly offC: number
  /** Tags of what it moves. */
  readonly moves: string
}

/** Everything that stands on one scale, in °C. */
interface SwitchingScale {
  readonly rungs: readonly SwitchingRung[]
  readonly lowestC?: number
  readonly highestC?: number
  readonly alarmHighC?: number
  readonly alarmLowC?: number
  readonly cutOuts: readonly { readonly tag: string; readonly atC: number; readonly opens: 'rise' | 'fall' }[]
  /** Under this the liquid turns to ice. */
  readonly iceC?: number
  /** Where heating and cooling can run against one another. */
  readonly fights: readonly { readonly fromC: number; readonly toC: number }[]
}

/** Ranges in which a heating and a cooling rung can both be on: under the one's cut-out and over the other's. */
export function fightsOf(
  rungs: readonly Pick<OnOffBehaviour & Switching, 'action' | 'onC' | 'offC'>[],
): { readonly fromC: number; readonly toC: number }[] {
  return rungs
    .filter(({ action }) => action === 'heating')
    .flatMap((heats) =>
      rungs.flatMap((cools) =>
        cools.action === 'cooling' && heats.offC > cools.offC ? [{ fromC: cools.offC, toC: heats.offC }] : [],
      ),
    )
}

/** The scale on which a plan stands, with every rung of its controller by the same probe. */
export function switchingScale(context: LoopContext, id: string): SwitchingScale {
  const { chain, loop } = context
  const rungs = rungsOf(loop.settings.planned, id)
  const counted = { heating: 0, cooling: 0 }
  const ends = Object.values(movedField).flatMap((field) => {
    const values = rungs.flatMap((rung) => (rung[field] === undefined ? [] : [rung[field]]))
    const value = field === 'lowestC' || field === 'alarmLowC' ? Math.min(...values) : Math.max(...values)
    return values.length > 0 ? [[field, value] as const] : []
  })
  const iceC = iceLine(context)
  return {
    rungs: rungs.map((rung) => ({
      id: rung.id,
      stage: ++counted[rung.action],
      action: rung.action,
      setpointC: rung.setpointC,
      onC: rung.onC,
      offC: rung.offC,
      moves: [...new Set(reachOf(chain, rung.output).map(({ device }) => device.tag))].join(', '),
    })),
    ...Object.fromEntries(ends),
    cutOuts: cutOuts(context).map(({ device, atC, opens }) => ({ tag: device.tag, atC, opens })),
    ...(iceC === undefined ? {} : { iceC }),
    fights: fightsOf(rungs),
  }
}

/** Which rungs are on at a temperature, come to from far away in each direction. */
export function energisedAt(rungs: readonly SwitchingRung[], temperatureC: number) {
  const on = (direction: 'rising' | 'falling') =>
    (['heating', 'cooling'] as const).flatMap((action) => {
      const stages = rungs.filter((rung) => rung.action === action)
      return stagesEnergised(stages, action, temperatureC, direction).map((n) => stages[n - 1]!.id)
    })
  return { rising: on('rising'), falling: on('falling') }
}

/** The patterns that are sound, in words: "1, 1-2, 1-2-3". */
export const soundPatterns = (count: number): string =>
  Array.from({ length: count }, (_, i) => Array.from({ length: i + 1 }, (_each, k) => k + 1).join('-')).join(', ')

/**
 * Stages of one action that stand in the wrong order: the later one comes on before the earlier, or with it.
 * @param delayed delays keep them apart: they may come on at one temperature
 */
export function outOfOrder(rungs: readonly PlanOf<OnOffBehaviour>[], delayed = false): PlanOf<OnOffBehaviour>[] {
  return (['heating', 'cooling'] as const).flatMap((action) => {
    const stages = rungs.filter((rung) => rung.action === action)
    const towards = action === 'cooling' ? 1 : -1
    return stages.filter((stage, i) => {
      const apartK = i > 0 ? towards * (stage.onC - stages[i - 1]!.onC) : Infinity
      return delayed ? apartK < 0 : apartK <= 0
    })
  })
}
