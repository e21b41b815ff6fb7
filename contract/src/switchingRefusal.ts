import type { OnOffBehaviour } from '@nachtigal/core/settings/behaviour'
import type { Refusal } from './check'

/**
 * Which words an on/off plan must have for its convention: a swing, or for `split` its two parts. Nothing else says how far apart on and
 * off are, so that no two figures can disagree.
 */
export function switchingRefusal(plan: OnOffBehaviour): Refusal | undefined {
  const { convention, swingK, aboveK, belowK, swingIs } = plan
  if (convention === 'split') {
    if (swingK !== undefined) return says('swingK', swingK, 'left out: the convention split has swing above and below')
    if (aboveK === undefined) return { field: 'aboveK', message: 'aboveK is missing: the convention split has it' }
    if (belowK === undefined) return { field: 'belowK', message: 'belowK is missing: the convention split has it' }
    return aboveK + belowK > 0 ? undefined : says('aboveK', aboveK, 'over 0 where belowK is 0')
  }
  if (swingK === undefined) return { field: 'swingK', message: 'swingK is missing: it must be a number over 0' }
  if (aboveK !== undefined) return says('aboveK', aboveK, 'left out: only the convention split has it')
  if (belowK !== undefined) return says('belowK', belowK, 'left out: only the convention split has it')
  return swingIs !== undefined && convention !== 'centred'
    ? says('swingIs', swingIs, 'left out: only the convention centred has it')
    : undefined
}

const says = (field: string, value: unknown, allowed: string): Refusal => ({
  field,
  message: `${field} is ${JSON.stringify(value)}: it must be ${allowed}`,
})
