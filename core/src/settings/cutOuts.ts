import { answersOf } from '../kinds/answersOf'
import type { ResolvedDevice } from '../document/chain'
import { freezePoint, liquids } from '../kinds/freezePoint'
import type { LoopContext } from '../loop/context'

/** A device that stops the output by itself at a temperature. */
export interface CutOut {
  readonly device: ResolvedDevice
  readonly atC: number
  readonly opens: 'rise' | 'fall'
}

/** Limiters and freeze thermostats of a loop, each with the temperature at which it opens. */
export function cutOuts({ chain }: Pick<LoopContext, 'chain'>): CutOut[] {
  return chain.devices.flatMap((device): CutOut[] => {
    const { limiter, permissive } = device.facts
    const atC = device.dialC ?? permissive?.opensAtC
    if (atC === undefined || (!limiter && permissive?.senses !== 'frost')) return []
    return [{ device, atC, opens: limiter ? (limiter.opens ?? 'rise') : 'fall' }]
  })
}

/** Where the liquid of a loop turns to ice; nothing where none is told of. */
export function iceLine({ loop, survey, data }: Pick<LoopContext, 'loop' | 'survey' | 'data'>): number | undefined {
  const { liquid, glycol } = answersOf(loop)
  const kind = liquids.find((each) => each === liquid)
  if (!kind) return undefined
  const percent = kind === 'water' ? 0 : typeof glycol === 'number' ? glycol : survey?.figures['glycol']?.value
  return percent === undefined ? undefined : freezePoint(kind, percent, data)
}
