import type { PlanOf } from '../settings/behaviour'
import type { ResolvedDevice } from '../document/chain'
import { fieldValue } from '../plant/fieldValue'
import { factsOfKind } from '../kinds/kinds'
import { reachOf } from '../wiring/reach'
import type { LoopContext } from '../loop/context'

interface MostStarts {
  readonly perHour: number
  /** The load whose nameplate says so; left out where it is the usual figure of the kind. */
  readonly device?: ResolvedDevice
}

/**
 * Starts an hour that what an output moves bears: by its nameplate, or what is usual for what burns or compresses. A pump or an element bears what
 * its relay bears.
 */
export function mostStarts(
  { chain, loop, data }: Pick<LoopContext, 'chain' | 'loop' | 'data'>,
  plan: PlanOf,
): MostStarts | undefined {
  const ends = reachOf(chain, plan.output)
  const named = ends
    .flatMap(({ device }) => (device.facts.load?.startsPerHour === undefined ? [] : [device]))
    .sort((a, b) => a.facts.load!.startsPerHour! - b.facts.load!.startsPerHour!)[0]
  if (named) return { perHour: named.facts.load!.startsPerHour!, device: named }
  const burns = ends.some(({ does }) => does === 'fuel' || does === 'cooling')
  const row = burns ? factsOfKind(loop.kind).starts(loop.survey.answers) : undefined
  return row === undefined ? undefined : { perHour: fieldValue(data, row).high }
}
