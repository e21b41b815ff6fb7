import type { KindFacts } from '../kind'
import { seenFrom } from '../reckoned'
import { cools } from './questions'

const HOUR = 3600
/** Nearer than this to what is around it, a rise and a fall tell no loss, K. */
const LEAST_K = 1

/**
 * Load and store from how fast it goes up and down at its set: with the load off it moves by load ÷ store, with it on by (power − load) ÷ store
 * the other way. So load = power × idle ÷ (idle + driven), store = power ÷ (idle + driven), both rates in K/s.
 */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { number, choice, take, power: powerOf } = asked
  const switches = choice('switches', ['element', 'called', 'compressor'] as const, 'element')
  const cooling = cools(switches)
  const targetC = number('target')
  const aroundC = number('designOutdoor')
  const [idleKPerH, drivenKPerH] = cooling ? [number('rise'), number('fall')] : [number('fall'), number('rise')]
  const powerW = powerOf('power', cooling ? ['cooling'] : ['element', 'fuel'], {
    value: 1000,
    low: 200,
    high: 5000,
    why: 'nothing is known of what it switches (practice)',
  })
  const storeJPerK = (powerW * HOUR) / (idleKPerH + drivenKPerH)
  const needW = (powerW * idleKPerH) / (idleKPerH + drivenKPerH)
  const why = 'from its power, and how fast it goes up and down at its set'
  const capacityJPerK = take('capacity', { value: storeJPerK, low: storeJPerK, high: storeJPerK, why })
  const awayK = Math.max(LEAST_K, Math.abs(targetC - aroundC))
  const lossWPerK = take('loss', { value: needW / awayK, low: needW / awayK, high: needW / awayK, why })
  const seen = seenFrom(cooling ? 'cooling' : 'heating', { targetC, aroundC, lossWPerK, capacityJPerK, powerW })
  return {
    seen,
    lines: [
      { id: 'needs', label: 'Holds with', value: seen.loadW, quantity: 'power' },
      { id: 'power', label: cooling ? 'It takes out' : 'Power of the plant', value: powerW, quantity: 'power' },
    ],
  }
}
