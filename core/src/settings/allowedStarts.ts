import { answersOf } from '../kinds/answersOf'
import type { PortRef, ResolvedDevice } from '../document/chain'
import { fieldValue } from '../plant/fieldValue'
import { factsOfKind } from '../kinds/kinds'
import { type Reach, reachOf } from '../wiring/reach'
import type { LoopContext } from '../loop/context'

/** Starts an hour that a load bears, and who says so. */
export interface AllowedStarts {
  readonly perHour: number
  /** The load whose plate says so; left out where it is the usual figure of the kind. */
  readonly device?: ResolvedDevice
  /** Where the usual figure is from. */
  readonly source: string
}

/** What a rate of starts wears out: what burns or compresses, and motors. An element bears what its relay bears. */
const wears = ({ does, port }: Reach) =>
  does === 'fuel' || does === 'cooling' || (port.kind === 'load' && port.load.kind === 'motor')

/**
 * Starts an hour that what an output moves bears: the least that a plate on its way says, else what is usual for its kind of load. The one
 * place where this is looked up.
 * @param output left out where no output is planned yet: the kind alone is asked
 */
export function allowedStarts(
  { chain, loop, data }: Pick<LoopContext, 'chain' | 'loop' | 'data'>,
  output?: PortRef,
): AllowedStarts | undefined {
  const ends = output ? reachOf(chain, output) : []
  const [named] = ends
    .flatMap(({ device }) => {
      const perHour = device.facts.load?.startsPerHour
      return perHour === undefined ? [] : [{ perHour, device, source: `plate of ${device.tag}` }]
    })
    .sort((a, b) => a.perHour - b.perHour)
  if (named) return named
  if (ends.length > 0 && !ends.some(wears)) return undefined
  const row = factsOfKind(loop.kind).starts(answersOf(loop))
  if (row === undefined) return undefined
  const { typical, source } = fieldValue(data, row)
  return { perHour: typical, source }
}
