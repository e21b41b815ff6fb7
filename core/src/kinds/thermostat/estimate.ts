import type { KindFacts } from '../kind'
import { Refused } from '../../units/refused'

/**
 * Nothing is known of what it is, so nothing can be estimated from how large it is: its rise and its fall stand for it.
 * @throws Refused always, naming the kind
 */
export const estimate: KindFacts['estimate'] = () => {
  throw new Refused('kind', {
    must: 'other',
    says: 'is a thermostat alone: its loss and its store come from how fast it rises and falls',
  })
}
