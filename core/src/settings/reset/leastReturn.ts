import { answersOf } from '../../kinds/answersOf'
import { fieldValue } from '../../plant/fieldValue'
import type { LoopContext } from '../../loop/context'

/**
 * Return that a boiler of this loop wants at steady burn, °C: what its plate says and what was answered, the warmer of them; where
 * neither is known the usual least of one that does not condense. Nothing for one that condenses.
 */
export function leastReturnC({ chain, loop, data }: Pick<LoopContext, 'chain' | 'loop' | 'data'>): number | undefined {
  const { returnMin, condensing } = answersOf(loop)
  const known = [
    ...chain.devices.flatMap(({ facts }) => facts.load?.returnMinC ?? []),
    ...(condensing === 'no' && typeof returnMin === 'number' ? [returnMin] : []),
  ]
  if (known.length > 0) return Math.max(...known)
  return condensing === 'no' ? fieldValue(data, 'return.min.cast').low : undefined
}
