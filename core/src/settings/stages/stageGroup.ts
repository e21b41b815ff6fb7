import {
  type Behaviour,
  fromSetpoint,
  type OnOffBehaviour,
  type PlanOf,
  planOf,
  storedPlan,
  type SwitchingWords,
  switchingOf,
  withSwitching,
} from '../behaviour'
import { ordered } from '../../schema/ordered'
import { movePart, type MovedPart } from '../switching/movePart'
import { replan } from '../switching/replan'

type Planned = Readonly<Record<string, Behaviour>>
type Rung = PlanOf<OnOffBehaviour>

/**
 * The rungs that stand on one scale: outputs that switch, of one controller, by one probe. Those not used are left out unless asked for.
 * Order is that of the stages.
 */
export function rungsOf(planned: Planned, id: string, withUnused = false): Rung[] {
  const first = planned[id]
  if (first?.kind !== 'on-off') return []
  return ordered(planned).flatMap(({ id, ...plan }) =>
    plan.kind === 'on-off' &&
    plan.output.device === first.output.device &&
    plan.input.port === first.input.port &&
    (withUnused || !plan.unused)
      ? [planOf<OnOffBehaviour>(id, plan)]
      : [],
  )
}

/** A rung as it is to be written: its points follow from its words. */
type Written = OnOffBehaviour & { readonly id: string }

const written = (planned: Planned, rungs: readonly Written[]): Record<string, Behaviour> => ({
  ...planned,
  ...Object.fromEntries(rungs.map((rung) => [rung.id, storedPlan<OnOffBehaviour>(rung)])),
})

/** Every rung of a scale changed alike. */
export const eachRung = (
  planned: Planned,
  id: string,
  change: (rung: OnOffBehaviour) => OnOffBehaviour,
): Record<string, Behaviour> =>
  written(
    planned,
    rungsOf(planned, id).map((rung) => ({ ...change(storedPlan<OnOffBehaviour>(rung)), id: rung.id })),
  )

/** A rung moved by this much, its swing and its convention kept. What limits and guards it stays. */
const shifted = (plan: OnOffBehaviour, byK: number): OnOffBehaviour => replan(plan, { setpointC: plan.setpointC + byK })

/** Every rung moved by the same: what a hand on the notch does. */
export const shiftRungs = (planned: Planned, id: string, byK: number): Record<string, Behaviour> =>
  written(
    planned,
    rungsOf(planned, id).map((rung) => ({ ...shifted(rung, byK), id: rung.id })),
  )

/** One part of one rung moved; the notch moves all rungs that stand on its scale. */
export function moveRung(
  planned: Planned,
  id: string,
  part: MovedPart,
  toC: number,
  stepK: number,
): Record<string, Behaviour> {
  const plan = planned[id]
  if (plan?.kind !== 'on-off') return { ...planned }
  const rungs = rungsOf(planned, id)
  if (part === 'set') return shiftRungs(planned, id, toC - (rungs[0] ?? plan).setpointC)
  // Limits and alarms are the controller's: one on a scale.
  if (part === 'lowest' || part === 'highest' || part === 'alarm' || part === 'alarmLow') {
    const key = movedField[part]
    return written(
      planned,
      rungs.map((rung) => ({ ...rung, [key]: toC })),
    )
  }
  return { ...planned, [id]: movePart(plan, part, toC, stepK) }
}

export const movedField = {
  lowest: 'lowestC',
  highest: 'highestC',
  alarm: 'alarmHighC',
  alarmLow: 'alarmLowC',
} as const

/** Distance of each rung from the one before, over the setpoint; positive in the way stages follow: cooling climbs, heating descends. */
export function spacings(rungs: readonly OnOffBehaviour[]): number[] {
  return rungs.slice(1).map((rung, i) => {
    const before = rungs[i]!
    return (rung.action === 'cooling' ? 1 : -1) * (rung.setpointC - before.setpointC)
  })
}

/** Stages of one action spaced evenly from the first; the first stays. @throws RangeError when the spacing is not over 0 */
export function spaceEvenly(planned: Planned, id: string, spacingK: number): Record<string, Behaviour> {
  if (!(spacingK > 0)) throw new RangeError(`spacingK ${spacingK} must be over 0`)
  const made = rungsOf(planned, id)
  return written(
    planned,
    (['heating', 'cooling'] as const).flatMap((action) => {
      const stages = made.filter((rung) => rung.action === action)
      const [first] = stages
      return stages.map((stage, i) => ({
        ...replan(stage, { setpointC: first!.setpointC + (action === 'cooling' ? i : -i) * spacingK }),
        id: stage.id,
      }))
    }),
  )
}

/** The same swing for all rungs of a scale. @throws RangeError when the swing is not over 0 */
export const swingForAll = (planned: Planned, id: string, swingK: number): Record<string, Behaviour> =>
  written(
    planned,
    rungsOf(planned, id).map((rung) => ({ ...replan(rung, { swingK }), id: rung.id })),
  )

/** The words of a rung, which go from one output to another when stages change places. */
const wordsOf = (plan: OnOffBehaviour): SwitchingWords => {
  const { action, convention, setpointC, swingK, aboveK, belowK, swingIs } = storedPlan(plan)
  return {
    ...{ action, convention, setpointC },
    ...(swingK === undefined ? {} : { swingK }),
    ...(aboveK === undefined ? {} : { aboveK }),
    ...(belowK === undefined ? {} : { belowK }),
    ...(swingIs === undefined ? {} : { swingIs }),
  }
}

function wear({ id, ...rung }: Rung, words: SwitchingWords | undefined): Written {
  if (!words) return { ...storedPlan<OnOffBehaviour>(rung), id, unused: true }
  const { unused: _unused, ...used } = rung
  return { ...withSwitching(used, words), id }
}

/** Writes words onto the outputs of a scale in their order; outputs left over are not used. */
function lay(planned: Planned, id: string, words: readonly SwitchingWords[]): Record<string, Behaviour> {
  const all = rungsOf(planned, id, true)
  return written(
    planned,
    all.map((rung, i) => wear(rung, words[i])),
  )
}

/** A stage more, on the next output that is not used: one spacing beyond the last, with its swing. Nothing where none is left. */
export function addStage(planned: Planned, id: string, usualSpacingK: number): Record<string, Behaviour> | undefined {
  const used = rungsOf(planned, id)
  const last = used.at(-1)
  if (!last || used.length === rungsOf(planned, id, true).length) return undefined
  const apart = spacings(used).at(-1) ?? usualSpacingK
  const byK = (last.action === 'cooling' ? 1 : -1) * (apart > 0 ? apart : usualSpacingK)
  return lay(planned, id, [...used.map(wordsOf), wordsOf(shifted(last, byK))])
}

/** A stage less: the ones after it move up, the last output rests. The only one stays. */
export function removeStage(planned: Planned, id: string, stage: string): Record<string, Behaviour> | undefined {
  const used = rungsOf(planned, id)
  if (used.length < 2 || !used.some((rung) => rung.id === stage)) return undefined
  return lay(planned, id, used.filter((rung) => rung.id !== stage).map(wordsOf))
}

/** A stage changes places with its neighbour: another output then comes first. */
export function reorderStage(
  planned: Planned,
  id: string,
  stage: string,
  by: 1 | -1,
): Record<string, Behaviour> | undefined {
  const used = rungsOf(planned, id)
  const at = used.findIndex((rung) => rung.id === stage)
  const to = at + by
  if (at < 0 || to < 0 || to >= used.length) return undefined
  const words = used.map(wordsOf)
  ;[words[at], words[to]] = [words[to]!, words[at]!]
  return lay(planned, id, words)
}

/** Both switching points of a rung from its set and swing in its own convention, for a scale that turns to the other action. */
export const turned = (plan: OnOffBehaviour, action: OnOffBehaviour['action']): OnOffBehaviour => {
  const { convention, setpointC, aboveK, belowK, swingIs } = plan
  const { swingK } = switchingOf(plan)
  return withSwitching(plan, fromSetpoint(action, convention, setpointC, swingK, { aboveK, belowK, swingIs }))
}
