import { isTree, checkPart, each } from './checkPart'
import { checkHours } from './checkControl'

/** Holds an input of a scenario to one of its forms. */
export function checkInput(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  if ('constant' in value) checkPart(where, { constant: 'truth' }, value)
  else if ('hours' in value) {
    checkPart(where, { hours: 'list' }, value)
    each(`${where}.hours`, value['hours'], checkHours)
  } else {
    const { belowC, aboveC } = checkPart(
      where,
      { probe: 'text', belowC: 'number?', aboveC: 'number?', differentialK: 'from0?', latched: 'truth?' },
      value,
    )
    if ((belowC === undefined) === (aboveC === undefined))
      throw new RangeError(`${where} must hold either belowC or aboveC`)
  }
}
